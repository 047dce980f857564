import type { Site } from '#core/model/site';

/** A label at one end of a run. */
export interface RunLabel {
  runId: string;
  number: number;
  name: string;
  end: 'head end' | 'camera';
  /** Where the other end is. */
  goesTo: string;
  address: string | null;
  channel: string | null;
}

/** Labels for both ends of the runs of some cameras, by number. */
export function runLabels(
  { run, camera, place, placement, recorder, networkConfig }: Site,
  cameraIds: ReadonlySet<string>,
): RunLabel[] {
  return Object.values(run)
    .filter(({ cameraId }) => cameraIds.has(cameraId))
    .map((one) => ({ one, of: camera[one.cameraId]! }))
    .sort((a, b) => a.of.number - b.of.number)
    .flatMap(({ one, of }): RunLabel[] => {
      const placed = placement[of.id];
      const base = {
        runId: one.id,
        number: of.number,
        name: of.name,
        address: networkConfig[of.id]?.address ?? null,
        channel: placed ? `${recorder[placed.recorderId]?.name ?? ''} ${placed.slot}` : null,
      };
      return [
        { ...base, end: 'head end', goesTo: place[of.placeId]?.name ?? '' },
        { ...base, end: 'camera', goesTo: place[one.headEndId]?.name ?? '' },
      ];
    });
}

/** A sheet of labels as they are sold, in millimetres. */
export interface LabelSheet {
  id: string;
  label: string;
  columns: number;
  rows: number;
  widthMm: number;
  heightMm: number;
}

/** Sheets of A4, each label beside the next without a gap. */
export const labelSheets: readonly LabelSheet[] = [
  { id: '24', label: '24 of 70 × 37 mm', columns: 3, rows: 8, widthMm: 70, heightMm: 37 },
  { id: '40', label: '40 of 52.5 × 29.7 mm', columns: 4, rows: 10, widthMm: 52.5, heightMm: 29.7 },
  { id: '10', label: '10 of 105 × 57 mm', columns: 2, rows: 5, widthMm: 105, heightMm: 57 },
];
