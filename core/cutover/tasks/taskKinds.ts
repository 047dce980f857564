import type { Skill } from '#core/model/site';

/** What is said of all tasks of a kind. */
export interface TaskKindDefinition {
  label: string;
  /** When it is done: before the first night that needs it, in a night, or once a morning has shown that the new picture holds. */
  when: 'before' | 'night' | 'after';
  /** What those who do it have to be able to do. */
  skills: readonly Skill[];
  /** How things are left, whatever comes. */
  leaves: string;
  /** What is looked at before it is called done: each by its id, as it is read off the card. */
  proofs: Readonly<Record<string, string>>;
  cautions: readonly string[];
  /** What is done, one after the other, where it does not come right. */
  otherwise?: readonly string[];
}

const provenDead = 'Prove the run dead before the old connector comes off.';
const polarity = 'Polarity before power.';

/** What a person has added, by when it is done. */
const own = {
  label: 'a task of its own',
  skills: [],
  leaves: 'As it was agreed.',
  proofs: { done: 'It is done.' },
  cautions: [],
} as const;
const ownKinds = {
  'own-before': { ...own, when: 'before' },
  own: { ...own, when: 'night' },
  'own-after': { ...own, when: 'after' },
} as const satisfies Record<string, TaskKindDefinition>;

/**
 * Every kind of task in the nights of a change. A kind is added here, with what is usual of it in the catalogue under `work-KIND`, and where it
 * comes from the site in a file of its own.
 */
export const taskKinds = {
  order: {
    label: 'Order, and see that it comes',
    when: 'before',
    skills: [],
    leaves: 'There, counted, and looked at for what the order said.',
    proofs: { there: 'It is there, and it is what was ordered.' },
    cautions: [],
  },
  permit: {
    label: 'Permit for work at height',
    when: 'before',
    skills: [],
    leaves: 'Given, for the nights that need it, and with the crew.',
    proofs: { given: 'It is given, and covers the nights that need it.' },
    cautions: ['Who gives it, and what it asks for, is a matter of local code and of the site.'],
  },
  configure: {
    label: 'Set up and soak on the bench',
    when: 'before',
    skills: ['network'],
    leaves: 'Soaked for four hours, with its address and firmware noted.',
    proofs: { soaked: 'It ran four hours on the bench, at its address.' },
    cautions: [],
  },
  route: {
    label: 'Prepare a way for cables',
    when: 'before',
    skills: ['cable'],
    leaves: 'Containment is up, a draw cord lies in it, and every opening is stopped against fire.',
    proofs: { through: 'A draw cord goes through, and every opening is stopped against fire.' },
    cautions: ['Fire stopping and cable fire ratings where a route is opened.'],
  },
  pull: {
    label: 'Pull the new cable',
    when: 'before',
    skills: ['cable'],
    leaves: 'Pulled, ended, tested and labelled at both ends; the old cable still works.',
    proofs: { tested: 'The new cable is tested and labelled at both ends.' },
    cautions: ['Fire stopping and cable fire ratings where a route is opened.'],
  },
  certify: {
    label: 'Certify the new cable',
    when: 'before',
    skills: ['cable'],
    leaves: 'Its report is saved under the number of the run.',
    proofs: { passed: 'It passed, and the report is saved.' },
    cautions: [],
  },
  build: {
    label: 'Build, with its uplink tested',
    when: 'before',
    skills: ['network'],
    leaves: 'Live, with its uplink tested and nothing plugged in that was not there.',
    proofs: { live: 'It is live, and its uplink is tested.' },
    cautions: ['Fixed wiring: licensed people, local code.'],
  },
  'lay-link': {
    label: 'Lay a link',
    when: 'before',
    skills: ['cable'],
    leaves: 'Tested from end to end and labelled at both ends.',
    proofs: { tested: 'It is tested from end to end and labelled at both ends.' },
    cautions: ['Fire stopping and cable fire ratings where a route is opened.'],
  },
  'new-view': {
    label: 'Hang a new camera',
    when: 'before',
    skills: ['cable'],
    leaves: 'Hung, aimed and live at its address; its lead is tested and labelled.',
    proofs: {
      live: 'It is live at its address.',
      lead: 'Its lead is tested and labelled at both ends.',
    },
    cautions: ['Never lift a camera by its lead.'],
  },
  prepare: {
    label: 'Prepare the change-over',
    when: 'night',
    skills: ['cable'],
    leaves: 'Bracket, box and new lead are in place; the old camera still records.',
    proofs: { records: 'The old camera still records.' },
    cautions: ['Never lift a camera by its lead.'],
  },
  patch: {
    label: 'Move a lead',
    when: 'night',
    skills: ['cable'],
    leaves: 'The camera records on its new input, named as before.',
    proofs: { records: 'The camera records on its new input, named as before.' },
    cautions: [],
  },
  rejoin: {
    label: 'Record a network camera on another slot',
    when: 'night',
    skills: ['network'],
    leaves: 'The camera records on its new slot, named as before.',
    proofs: { records: 'The camera records on its new slot, named as before.' },
    cautions: ['Export what has to be kept first: the old slot shows it no more.'],
  },
  'recorder-change': {
    label: 'Turn inputs to IP',
    when: 'night',
    skills: ['network'],
    leaves: 'All disks seen, the saved settings back, every camera named.',
    proofs: {
      back: 'It was back within twice its usual minutes.',
      disks: 'It sees all its disks.',
      same: 'Its settings are as they were saved, but for what was meant.',
    },
    cautions: ['Save all settings and prove the restore first.'],
    otherwise: [
      'Not back after twice its usual minutes: look at its own monitor output, and at its disks.',
      'Take its power away once, for a minute, and wait as long again.',
      'Back, but not as it should be: put the saved settings back, and compare.',
      'Still not back: it is put back with the saved settings on the spare, or the night is broken off and every lead goes back to where it was. Whoever watches is told which views are not recorded.',
    ],
  },
  swap: {
    label: 'Change over',
    when: 'night',
    skills: ['cable'],
    leaves: 'It records within half an hour and holds with its lamps on; else the old camera is back.',
    proofs: {
      records: 'It records, live and played back.',
      loss: 'It loses under 1 % of what it sends.',
      lamps: 'It holds with its lamps on, without a restart.',
    },
    cautions: [provenDead, polarity, 'Never lift a camera by its lead.'],
  },
  'dusk-check': {
    label: 'Aim and prove by day and by lamps',
    when: 'after',
    skills: ['cable'],
    leaves: 'Day and night picture agreed; the old camera may go.',
    proofs: { agreed: 'Day and night picture are agreed.' },
    cautions: [],
  },
  remove: {
    label: 'Take out what is left',
    when: 'after',
    skills: ['cable'],
    leaves: 'Old gear gone.',
    proofs: { gone: 'What is not used any more is gone.' },
    cautions: [provenDead],
  },
  'make-good': {
    label: 'Make good',
    when: 'after',
    skills: ['cable'],
    leaves: 'Walls, roofs and fire stopping made good.',
    proofs: { good: 'What was opened is made good.' },
    cautions: ['Fire stopping and cable fire ratings where a route was opened.'],
  },
  witness: {
    label: 'Show every view to the customer',
    when: 'after',
    skills: [],
    leaves: 'Every view seen by the customer, live and played back; what is missing is written down.',
    proofs: { seen: 'The customer saw every view, live and played back.' },
    cautions: [],
  },
  ...ownKinds,
} as const satisfies Record<string, TaskKindDefinition>;

export type TaskKind = keyof typeof taskKinds;

export const taskKind = (kind: TaskKind): TaskKindDefinition => taskKinds[kind];

/** Whether a person has added it. */
export const isOwnKind = (kind: TaskKind): boolean => kind in ownKinds;
