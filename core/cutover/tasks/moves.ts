import type { Migration, NightStep, SlotAddress } from '#core/allocate/recorder';
import { stepTaskOf } from './stepTaskOf';

/** A step of the order of moves, with its task and its night there. */
export interface Step {
  task: string;
  cameraId: string;
  night: number;
  /** A lead or a stream that moves, not a camera that is changed. */
  isMove: boolean;
  from: SlotAddress | null;
  to: SlotAddress | null;
}

type CameraStep = Exclude<NightStep, { kind: 'turn' }>;

/** Whether a step moves a lead or a stream: a task by itself, and no part of a camera's own change. */
export const isMove = (step: NightStep): step is Extract<NightStep, { kind: 'repatch' | 'rejoin' }> =>
  step.kind === 'repatch' || step.kind === 'rejoin';

/** A step of one camera, as it is compared with others. */
export const stepOf = (step: CameraStep, night: number): Step => ({
  task: stepTaskOf(step, night),
  cameraId: step.cameraId,
  night,
  isMove: isMove(step),
  from: step.from,
  to: 'to' in step ? step.to : null,
});

const isSame = (a: SlotAddress | null, b: SlotAddress | null): boolean =>
  a !== null && b !== null && a.recorderId === b.recorderId && a.slot === b.slot;

/** Who is in whose way in an order of moves. */
export interface Moves {
  all: readonly Step[];
  /** Others who have to be gone before a step. */
  waitsFor: (self: Step) => Step[];
  /** The change of inputs that has to be in the night of a step: its own input turns under it, or it comes where another leaves in the turn. */
  turnOf: (self: Step) => string | null;
  /**
   * Those of a night that exchange their inputs with a step, two or more in a ring, in their order; none where an input among them turns, which
   * orders them. Nobody in a ring can wait for who is in his way: the first unplugs the next.
   */
  ringOf: (self: Step) => Step[];
}

/** The steps of an order of moves, with who is in whose way. */
export function movesOf({ nights }: Pick<Migration, 'nights'>): Moves {
  const all = nights.flatMap(({ steps }, night) =>
    steps.flatMap((step) => (step.kind === 'turn' ? [] : [stepOf(step, night)])),
  );
  const tonight = ({ night }: Step): Step[] => all.filter((one) => one.night === night);

  /** The change of inputs of a night that a slot is turned by. */
  const turnIn = (night: number, at: SlotAddress | null): string | null => {
    const turn = nights[night]!.steps.find(
      (step) =>
        step.kind === 'turn' &&
        step.recorderId === at?.recorderId &&
        [...step.cost.toIp, ...step.cost.toCoax].includes(at.slot),
    );
    return turn ? stepTaskOf(turn, night) : null;
  };

  /** Leaves its slot to a lead in the night in which its own new slot is turned: both are of that night, and neither can wait for the other. */
  const leavesInTurn = (one: Step): boolean =>
    !one.isMove &&
    turnIn(one.night, one.to) !== null &&
    tonight(one).some((other) => other.isMove && isSame(other.to, one.from));

  /** Others who leave by then the slot that a step comes to. */
  const leavers = ({ to, cameraId, night }: Step): Step[] =>
    all.filter((one) => isSame(one.from, to) && one.cameraId !== cameraId && one.night <= night);

  const inTurnOf = (self: Step): Step[] =>
    leavers(self).filter((one) => one.night === self.night && leavesInTurn(one));

  function turnOf(self: Step): string | null {
    const { night, from, to } = self;
    if (!self.isMove) return turnIn(night, from) ?? (leavesInTurn(self) ? turnIn(night, to) : null);
    const [first] = inTurnOf(self);
    return first ? turnIn(night, first.to) : null;
  }

  function ringOf(self: Step): Step[] {
    const others = tonight(self);
    const closed = (ring: readonly Step[]): readonly Step[] | null => {
      const { to } = ring.at(-1)!;
      if (turnIn(self.night, to) !== null) return null;
      for (const next of others.filter(({ from }) => isSame(from, to))) {
        if (next.task === self.task && ring.length > 1) return ring;
        const found = ring.some(({ task }) => task === next.task) ? null : closed([...ring, next]);
        if (found) return found;
      }
      return null;
    };
    const tasks = new Set(closed([self])?.map(({ task }) => task));
    return others.filter(({ task }) => tasks.has(task));
  }

  function waitsFor(self: Step): Step[] {
    const together = new Set([...ringOf(self), ...inTurnOf(self)].map(({ task }) => task));
    const exchanges = (one: Step): boolean => one.night === self.night && isSame(one.to, self.from);
    return leavers(self).filter((one) => !together.has(one.task) && !exchanges(one));
  }
  return { all, waitsFor, turnOf, ringOf };
}
