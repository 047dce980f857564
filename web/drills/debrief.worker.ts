import { expose } from 'comlink';
import {
  debriefOf,
  replayed,
  type Answer,
  type Debrief,
  type Drill,
  type DrillMove,
} from '#core/test/drills';

const threads = {
  debrief: (drill: Drill, moves: DrillMove[], answer: Answer): Debrief =>
    debriefOf(replayed(drill, moves), answer),
};
export type DebriefThread = typeof threads;
expose(threads);
