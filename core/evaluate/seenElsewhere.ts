import type { Migration, Mover, Night, NightStep, SlotAddress } from '#core/allocate/recorder';
import type { SlotNeed } from '#core/model/slotRules';
import { sentToday, type OptionKind, type Run, type Site } from '#core/model/site';

type Unplug = Extract<NightStep, { kind: 'unplug' }>;

const inputOf = ({ patchedTo }: Run): SlotAddress | null =>
  patchedTo ? { recorderId: patchedTo.recorderId, slot: patchedTo.input } : null;

/** What every camera that stays asks of its slot. */
type Needs = Readonly<Record<string, SlotNeed>>;

/** Runs with a lead in a recorder for whose cameras so was chosen; whoever still asks for a slot cannot be given up so, and stays. */
const pluggedIn = ({ run, choice }: Site, needs: Needs, kind: OptionKind): Run[] =>
  Object.values(run).filter(
    ({ patchedTo, cameraId }) => patchedTo && choice[cameraId]?.option === kind && !(cameraId in needs),
  );

/** Cameras for which so was chosen, as they leave their inputs. */
export const unplugging = (site: Site, needs: Needs, kind: OptionKind): Unplug[] =>
  pluggedIn(site, needs, kind).map((run) => ({
    kind: 'unplug',
    cameraId: run.cameraId,
    number: site.camera[run.cameraId]!.number,
    from: inputOf(run)!,
  }));

/** Cameras whose view another one sees once that is changed: until then they stay as they are. */
export const seenElsewhere = (site: Site, needs: Needs): Mover[] =>
  pluggedIn(site, needs, 'shared-view').map((run): Mover => {
    const camera = site.camera[run.cameraId]!;
    const at = inputOf(run)!;
    return {
      need: {
        cameraId: camera.id,
        number: camera.number,
        name: camera.name,
        signal: { kind: 'coax', ...sentToday(camera) },
        portWatts: 0,
        placeId: run.headEndId,
        patchedTo: run.patchedTo,
      },
      today: { at, format: camera.format },
      to: at,
    };
  });

/** Whether a step comes to an input, or turns it. */
function isAbout(step: NightStep, { recorderId, slot }: SlotAddress): boolean {
  if (step.kind === 'turn')
    return step.recorderId === recorderId && [...step.cost.toIp, ...step.cost.toCoax].includes(slot);
  return step.kind !== 'unplug' && step.to.recorderId === recorderId && step.to.slot === slot;
}

/** Each camera leaves its input just before that is wanted; where it never is, it is taken down by day. */
function leavingLate(nights: readonly Night[], leavers: readonly Unplug[]): Night[] {
  const waiting = new Set(leavers);
  return nights.map((night) => ({
    ...night,
    steps: night.steps.flatMap((step) => {
      const leaving = [...waiting].filter(({ from }) => isAbout(step, from));
      for (const one of leaving) waiting.delete(one);
      return [...leaving, step];
    }),
  }));
}

/**
 * An order of moves in which cameras whose views are seen elsewhere keep their inputs to the end, so that no view is dark before the
 * other picture was proved. Where no such order is legal they leave when their inputs are wanted.
 */
export function withSeenElsewhere(
  site: Site,
  needs: Needs,
  movers: readonly Mover[],
  orderOf: (movers: readonly Mover[]) => Migration,
): Migration {
  const staying = seenElsewhere(site, needs);
  const without = orderOf(movers);
  if (staying.length === 0) return without;
  const all = orderOf([...movers, ...staying]);
  const isLegal =
    all.waiting.length <= without.waiting.length && all.nights.every(({ broken }) => broken.length === 0);
  if (isLegal) return all;
  return { ...without, nights: leavingLate(without.nights, unplugging(site, needs, 'shared-view')) };
}
