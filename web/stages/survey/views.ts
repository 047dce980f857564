/** The ways to look at a survey, each with its key. */
export const surveyViews = [
  { id: 'board', says: 'Board', key: 'b' },
  { id: 'drawing', says: 'Drawing', key: 'd' },
  { id: 'lists', says: 'Lists', key: 'l' },
  { id: 'head-end', says: 'Head end', key: 'h' },
  { id: 'gaps', says: 'Left to note', key: 'g' },
  { id: 'walk', says: 'Walk', key: 'w' },
] as const;
export type SurveyView = (typeof surveyViews)[number]['id'];

export const isSurveyView = (text: unknown): text is SurveyView => surveyViews.some(({ id }) => id === text);
