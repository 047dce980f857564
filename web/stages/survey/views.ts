/** The ways to look at a survey, each with its key. */
export const surveyViews = [
  { id: 'board', label: 'Board', key: 'b' },
  { id: 'drawing', label: 'Drawing', key: 'd' },
  { id: 'lists', label: 'Lists', key: 'l' },
  { id: 'head-end', label: 'Head end', key: 'h' },
  { id: 'gaps', label: 'Missing data', key: 'g' },
  { id: 'walk', label: 'Walk', key: 'w' },
] as const;
export type SurveyView = (typeof surveyViews)[number]['id'];

export const isSurveyView = (text: unknown): text is SurveyView => surveyViews.some(({ id }) => id === text);
