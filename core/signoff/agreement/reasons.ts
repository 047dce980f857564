import type { MarginKind } from '#core/decide/options';

/** What most likely stands behind figures that are off to one side together; `more` of what the figure rests on, or less. */
const reasons: Partial<Record<MarginKind, { more: string; less: string }>> = {
  'night-volts': {
    more: 'More ohms in the power cores than was thought: thinner cores, a longer way, or joints that age. Read the loop of one of them.',
    less: 'Fewer ohms in the power cores than was thought: thicker cores or a shorter way.',
  },
  watts: {
    more: 'More ohms in the coax than was thought: a centre of steel, a longer way, or poor joints. Read the loop of one of them.',
    less: 'Fewer ohms in the coax than was thought: a solid copper centre or a shorter way.',
  },
  'link-rate': {
    more: 'More loss than was thought: water, joints, or a poorer cable than its print says. Take a trace of one of them.',
    less: 'Less loss than was thought: a better cable than its print says, or a shorter way.',
  },
  'light-loss': {
    more: 'More loss in the light than was thought: a longer way, a dirty connector or a tight bend. Clean and measure again.',
    less: 'Less loss in the light than was thought: a shorter way.',
  },
  'radio-rate': {
    more: 'Less arrives by radio than was thought: the beam is not clear, the antennas are off, or neighbours are louder.',
    less: 'More arrives by radio than was thought.',
  },
};

/** The likely reason for figures of a kind that are off together, in a sentence and with what to do. */
export const reasonFor = (kind: MarginKind, isMore: boolean): string =>
  reasons[kind]?.[isMore ? 'more' : 'less'] ?? 'What these figures rest on is other than was thought.';
