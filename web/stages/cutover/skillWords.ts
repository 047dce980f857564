import { skills, type Skill } from '#core/model/site';

const skillWords: Record<Skill, string> = {
  cable: 'cable ends and converters',
  network: 'recorders and switches',
  height: 'work at height',
  electrician: 'work on the mains',
};

/** What somebody can do, or a task asks for, as it is picked. */
export const skillChoices = skills.map((value) => ({ value, label: skillWords[value] }));
