import type { Demands, Policies, PolicyId } from '#core/model/site';

/** One way of practice under a policy: what it says, whom it suits, and how the plan follows it. */
export interface PolicyOption {
  id: string;
  label: string;
  suits: string;
  does: string;
}
export interface Policy {
  id: PolicyId;
  label: string;
  options: PolicyOption[];
}

/** What a plan counts beside money, in the site's currency, so that a policy can weigh against price. Policy, all of it. */
export const weights = {
  /** Against an option that the chosen policy would rather not have. */
  policyPenalty: 600,
  /** Against a camera that hangs on the mains at its place, away from the UPS. */
  awayFromUps: 250,
  /** For an hour in which a view is dark: where dark time comes first, and to break ties elsewhere. */
  darkHourFirst: 150,
  darkHour: 1,
} as const;

/** Where practice differs, each way with whom it suits. */
export const policies: Policy[] = [
  {
    id: 'route',
    label: 'Cable',
    options: [
      {
        id: 'reuse',
        label: 'Reuse first',
        suits: 'listed buildings, short budgets, sites that cannot be opened',
        does: `counts ${weights.policyPenalty} against every new cable`,
      },
      {
        id: 'recable',
        label: 'Recable first',
        suits: 'owners who stay for decades and have the ceilings open anyway',
        does: `counts ${weights.policyPenalty} against every camera that stays on old cable`,
      },
      {
        id: 'cheapest',
        label: 'Cheapest over the years',
        suits: 'whoever pays for renewals too',
        does: 'adds what is due again within the years',
      },
    ],
  },
  {
    id: 'order',
    label: 'What comes first',
    options: [
      {
        id: 'cost',
        label: 'Cost first',
        suits: 'sites with a guard or a second view',
        does: 'downtime only breaks ties',
      },
      {
        id: 'dark',
        label: 'Dark time first',
        suits: 'ports, tills and anything insured by its cameras',
        does: `counts ${weights.darkHourFirst} for every hour a view is dark`,
      },
    ],
  },
  {
    id: 'listed',
    label: 'Listed places',
    options: [
      {
        id: 'no-cable',
        label: 'No new surface cable',
        suits: 'listed buildings where only new cable needs consent',
        does: 'no new cable where heritage is noted',
      },
      {
        id: 'nothing-new',
        label: 'Nothing new on show',
        suits: 'listed buildings where anything new needs consent',
        does: 'no new cable, box or aerial where heritage is noted',
      },
    ],
  },
  {
    id: 'format',
    label: 'If the cable cannot carry the resolution',
    options: [
      {
        id: 'lower',
        label: 'Lower the picture format',
        suits: 'views that need less than the best',
        does: 'takes the best format that arrives clean',
      },
      {
        id: 'replace',
        label: 'Replace the cable',
        suits: 'views that have to be as sharp as they can be',
        does: 'takes the full format or another option',
      },
    ],
  },
  {
    id: 'power',
    label: 'Power',
    options: [
      {
        id: 'central',
        label: 'Central, on a UPS',
        suits: 'sites that must record through a power cut',
        does: `counts ${weights.awayFromUps} against a camera fed where it hangs`,
      },
      {
        id: 'local',
        label: 'At the camera where that is easier',
        suits: 'sites with mains everywhere and no UPS',
        does: 'counts nothing against it',
      },
    ],
  },
  {
    id: 'blocks',
    label: 'Recorder inputs',
    options: [
      {
        id: 'mix',
        label: 'Mixed',
        suits: 'small sites with one person who knows them',
        does: 'only the recorder’s own blocks count',
      },
      {
        id: 'separate',
        label: 'In blocks',
        suits: 'sites with four-way monitor layouts',
        does: 'composite, HD and IP stand in blocks of four',
      },
    ],
  },
  {
    id: 'joints',
    label: 'New coax ends',
    options: [
      {
        id: 'crimp',
        label: 'Crimp',
        suits: 'everything that is to last',
        does: '0.2 dB and nine minutes an end',
      },
      {
        id: 'twist-on',
        label: 'Twist on',
        suits: 'a trial, or a night without the tool',
        does: '0.5 dB and three minutes an end',
      },
    ],
  },
  {
    id: 'oldCable',
    label: 'Cable that is given up',
    options: [
      { id: 'leave', label: 'Leave it', suits: 'most sites', does: 'nothing' },
      {
        id: 'remove',
        label: 'Take it out',
        suits: 'where the fire code or the owner asks for it',
        does: 'adds the hours for taking it out',
      },
    ],
  },
];

/** The words for a way of a policy. */
export function policyOptionOf(id: PolicyId, option: string): PolicyOption {
  const found = policies.find((policy) => policy.id === id)?.options.find((one) => one.id === option);
  if (!found) throw new Error(`no option ${option} of ${id}`);
  return found;
}

/** The same demands with another way of one policy. */
export const withPolicy = (demands: Demands, id: PolicyId, option: string): Demands => ({
  ...demands,
  policies: { ...demands.policies, [id]: option } as Policies,
});
