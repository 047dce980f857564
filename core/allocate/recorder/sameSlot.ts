import { afterAnother, type Migration, type Mover, type MoveWishes } from './nightSteps';
import { isAt, type SlotAddress } from './slotRequest';

const slotKey = ({ recorderId, slot }: SlotAddress): string => `${recorderId}/${slot}`;

/** Whoever is there already goes before whoever would come, and then the lower number. */
const byClaim = (a: Mover, b: Mover): number =>
  Number(isAt(b.today?.at, b.to)) - Number(isAt(a.today?.at, a.to)) || a.need.number - b.need.number;

/** A camera that stays where it is, with the picture that it sends today. */
function staying({ need, today }: Mover): Mover[] {
  if (!today) return [];
  const now: Mover['need'] =
    today.format === null ? need : { ...need, portWatts: 0, signal: { kind: 'coax', format: today.format } };
  return [{ need: now, today, to: today.at }];
}

interface Claimed {
  movers: Mover[];
  waiting: Migration['waiting'];
}

function claim(movers: readonly Mover[]): Claimed {
  const waiting: Migration['waiting'] = [];
  const going: Mover[] = [];
  /** Whoever goes to a slot first, or stays on it. */
  const firstOn = new Map<string, Mover>();
  const go = (mover: Mover): void => {
    going.push(mover);
    const key = slotKey(mover.to);
    if (!firstOn.has(key)) firstOn.set(key, mover);
  };
  for (const mover of [...movers].sort(byClaim)) {
    const other = firstOn.get(slotKey(mover.to));
    if (!other || isAt(mover.today?.at, mover.to)) {
      go(mover);
      continue;
    }
    const { cameraId, number } = mover.need;
    waiting.push({ cameraId, number, why: `camera ${other.need.number} has the same slot by the plan` });
    staying(mover).forEach(go);
  }
  return { movers: going, waiting };
}

/**
 * Cameras with a slot each: where the plan gives one slot to several, one of them moves there and the others stay where they are and
 * are named; so are those that come in after one of them.
 */
export function oneToASlot(movers: readonly Mover[], after: MoveWishes['after'] = {}): Claimed {
  const late: Migration['waiting'] = [];
  for (let now = movers; ;) {
    const claimed = claim(now);
    const waiting = [...claimed.waiting, ...late];
    const isLate = ({ need: { cameraId } }: Mover): boolean =>
      !waiting.some((one) => one.cameraId === cameraId) && firstWaiting(cameraId) !== undefined;
    const firstWaiting = (id: string) => waiting.find((one) => after[id]?.includes(one.cameraId));
    const more = claimed.movers.filter(isLate);
    if (more.length === 0) return { movers: claimed.movers, waiting };
    for (const { need } of more) {
      const why = afterAnother(firstWaiting(need.cameraId)!.number);
      late.push({ cameraId: need.cameraId, number: need.number, why });
    }
    now = now.flatMap((mover) => (isLate(mover) ? staying(mover) : [mover]));
  }
}
