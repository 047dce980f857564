import { inLineGear, optionRow, type OptionKind } from '#core/model/site';
import { gearInLine, lineConditions, type LineCondition, type LineUse } from '#core/test/findings';
import type { Context } from './context';
import { oldCableFire } from './oldCableFire';
import type { LineBinding, LineBindings } from './lineBinding';
import type { Margin } from './option';
import { isSheltered } from './sheltered';

/** What an option asks of the old line; nothing where it leaves it alone. */
function useOf(kind: OptionKind): LineUse | undefined {
  const { cable, slot, keepsCamera } = optionRow(kind);
  if (cable === 'none') return undefined;
  return slot === 'ip' && !keepsCamera ? 'data-and-power' : 'picture';
}

/** A condition of the line as a margin. It was read, so no scenario moves it. */
export const marginOfCondition = ({
  kind,
  label,
  unit,
  value,
  utilisation,
  status,
  derivation,
}: LineCondition): Margin => ({
  kind,
  label,
  unit,
  value,
  utilisation,
  status,
  basis: 'measured',
  unread: false,
  derivation,
  under: () => utilisation,
});

const remedies: Partial<Record<Margin['kind'], string>> = {
  insulation: 'cutting back to dry cable or replacing the wet length, then reading its insulation again',
  'pair-test': 'terminating both ends anew and certifying it, or new cable',
  earth: 'fibre, or one earth for both ends, made by a licensed electrician',
};

/** What would make an option hold that water or different earths keep from it. */
export const lineRemedy = ({ kind }: Pick<Margin, 'kind'>): string | undefined => remedies[kind];

/** Beyond these watts at the device power comes over all four pairs (IEEE 802.3-2022, class 5 and up). */
const twoPairWatts = 25.5;

const unbound: LineBinding = { conditions: [], margins: [], parts: [], work: [], cautions: [] };

const unreadInsulation = 'The insulation was not read: read it before power goes on a cable that may be wet.';

/** How water in the cable and different earths at its ends bind an option that goes on using it. */
function bindingFor(
  context: Pick<Context, 'run' | 'readings' | 'place' | 'headEnd'>,
  use: LineUse,
  nightWatts: number,
): LineBinding {
  const { run, readings } = context;
  const conditions = lineConditions(run, readings, use, nightWatts > twoPairWatts);
  const mayBeWet =
    use === 'data-and-power' &&
    !readings['insulation-megohms'] &&
    run.segments.some(({ environment }) => !isSheltered(environment));
  const fire = oldCableFire(context);
  if (conditions.length === 0 && !mayBeWet && fire.length === 0) return unbound;
  const needsIsolator =
    use === 'picture' &&
    conditions.some((condition) => condition.kind === 'earth') &&
    !gearInLine(run).includes(inLineGear.isolator);
  return {
    conditions,
    margins: conditions.map(marginOfCondition),
    parts: needsIsolator ? [{ item: 'isolator', count: 1 }] : [],
    work: needsIsolator ? ['fit-isolator'] : [],
    cautions: [
      ...conditions.flatMap(({ status, message }) => (status === 'holds' ? [] : [message])),
      ...(mayBeWet ? [unreadInsulation] : []),
      ...fire,
    ],
  };
}

/** How the old line binds whatever goes on using it, by what it would carry and what hangs there by night. */
export const lineBindings = (
  context: Parameters<typeof bindingFor>[0],
  nightWatts: number,
): LineBindings => ({
  picture: bindingFor(context, 'picture', nightWatts),
  'data-and-power': bindingFor(context, 'data-and-power', nightWatts),
});

/** How it binds an option of one kind. */
export function lineBinding({ line }: Pick<Context, 'line'>, kind: OptionKind): LineBinding {
  const use = useOf(kind);
  return use ? line[use] : unbound;
}
