import type { Demands } from '#core/model/site';

/** Something that is demanded of a plan and could be given up. */
export type DemandRef =
  | { kind: 'goal' }
  /** Of one camera, or of every one where it is not known which stands in the way. */
  | { kind: 'spare'; cameraId: string | null }
  | { kind: 'listed'; cameraId: string | null }
  | { kind: 'blocks' }
  | { kind: 'spare-slots' }
  | { kind: 'cap'; of: keyof Demands['caps'] }
  | { kind: 'recorder'; recorderId: string }
  | { kind: 'supply'; supplyId: string }
  | { kind: 'start-up'; supplyId: string }
  | { kind: 'fuse'; supplyId: string; output: number }
  | { kind: 'rack'; placeId: string }
  | { kind: 'lock'; cameraId: string }
  | { kind: 'stays'; cameraId: string };

/** What a demand is of, where it is of one thing among others. */
function subjectOf(demand: DemandRef): string {
  switch (demand.kind) {
    case 'cap':
      return demand.of;
    case 'recorder':
      return demand.recorderId;
    case 'supply':
    case 'start-up':
      return demand.supplyId;
    case 'fuse':
      return `${demand.supplyId} ${demand.output}`;
    case 'rack':
      return demand.placeId;
    case 'lock':
    case 'stays':
      return demand.cameraId;
    case 'spare':
    case 'listed':
      return demand.cameraId ?? '';
    case 'goal':
    case 'blocks':
    case 'spare-slots':
      return '';
  }
}

/** What is asked of every camera, before it is known which of them stands in the way; any other demand as it is. */
export const ofEvery = (demand: DemandRef): DemandRef =>
  demand.kind === 'spare' || demand.kind === 'listed' ? { ...demand, cameraId: null } : demand;

/** The name of a demand in a programme; it is looked up, never read. */
export const demandKey = (demand: DemandRef): string => `${demand.kind} ${subjectOf(demand)}`.trim();
