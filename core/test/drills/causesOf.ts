import { canHave, causes, type Cause } from '#core/test/diagnosis';
import { lineKind } from '#core/test/findings';
import type { Drill } from './drill';
import { drillRunId, drillSite } from './ground';

/** Causes that a line of this kind, fed so, can have; nothing wrong is one of them. */
export function causesOf(drill: Drill): Cause[] {
  const kind = lineKind(drillSite(drill).run[drillRunId]!);
  return causes.filter((cause) => cause === 'sound' || canHave(cause, kind, drill.power === 'along-run'));
}
