import type { Skill } from '#core/model/site';

/** What is said of all tasks of a kind. */
export interface TaskKindDefinition {
  label: string;
  /** When it is done: before the first night that needs it, in a night, or once a morning has shown that the new picture holds. */
  when: 'before' | 'night' | 'after';
  /** What those who do it have to be able to do. */
  skills: readonly Skill[];
  people: number;
  /** Minutes in which it is taken back where it went wrong. */
  rollBackMinutes: number;
  /** Usual minutes, where nothing of the site says how long. */
  minutes: number;
  /** How things are left, whatever comes. */
  leaves: string;
  /** What is looked at before it is called done: each by its id, as it is read off the card. */
  proofs: Readonly<Record<string, string>>;
  cautions: readonly string[];
}

const provenDead = 'Prove the run dead before the old connector comes off.';
const polarity = 'Polarity before power.';

/** Every kind of task in the nights of a change. A kind is added here, and where it comes from the site in a file of its own. */
export const taskKinds = {
  configure: {
    label: 'Set up and soak on the bench',
    when: 'before',
    skills: ['network'],
    people: 1,
    rollBackMinutes: 0,
    minutes: 30,
    leaves: 'Soaked for four hours, with its address and firmware noted.',
    proofs: { soaked: 'It ran four hours on the bench, at its address.' },
    cautions: [],
  },
  pull: {
    label: 'Pull the new cable',
    when: 'before',
    skills: ['cable'],
    people: 2,
    rollBackMinutes: 0,
    minutes: 120,
    leaves: 'Pulled, ended, tested and labelled at both ends; the old cable still works.',
    proofs: { tested: 'The new cable is tested and labelled at both ends.' },
    cautions: ['Fire stopping and cable fire ratings where a route is opened.'],
  },
  build: {
    label: 'Build, with its uplink tested',
    when: 'before',
    skills: ['network'],
    people: 1,
    rollBackMinutes: 15,
    minutes: 90,
    leaves: 'Live, with its uplink tested and nothing plugged in that was not there.',
    proofs: { live: 'It is live, and its uplink is tested.' },
    cautions: ['Fixed wiring: licensed people, local code.'],
  },
  patch: {
    label: 'Move a lead',
    when: 'night',
    skills: ['cable'],
    people: 1,
    rollBackMinutes: 5,
    minutes: 10,
    leaves: 'The camera records on its new input, named as before.',
    proofs: { records: 'The camera records on its new input, named as before.' },
    cautions: [],
  },
  'recorder-change': {
    label: 'Turn inputs to IP',
    when: 'night',
    skills: ['network'],
    people: 1,
    rollBackMinutes: 20,
    minutes: 20,
    leaves: 'All disks seen, the saved settings back, every camera named.',
    proofs: {
      back: 'It was back within twice its usual minutes.',
      disks: 'It sees all its disks.',
      same: 'Its settings are as they were saved, but for what was meant.',
    },
    cautions: ['Save all settings and prove the restore first.'],
  },
  swap: {
    label: 'Change over',
    when: 'night',
    skills: ['cable'],
    people: 1,
    rollBackMinutes: 25,
    minutes: 90,
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
    people: 1,
    rollBackMinutes: 0,
    minutes: 25,
    leaves: 'Day and night picture agreed; the old camera may go.',
    proofs: { agreed: 'Day and night picture are agreed.' },
    cautions: [],
  },
  remove: {
    label: 'Take out what is left',
    when: 'after',
    skills: ['cable'],
    people: 1,
    rollBackMinutes: 0,
    minutes: 40,
    leaves: 'Old gear gone, walls and roofs made good.',
    proofs: { good: 'What was opened is made good.' },
    cautions: [provenDead],
  },
} as const satisfies Record<string, TaskKindDefinition>;

export type TaskKind = keyof typeof taskKinds;

export const taskKind = (kind: TaskKind): TaskKindDefinition => taskKinds[kind];
