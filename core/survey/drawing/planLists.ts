import { runLengthM, type Drawing, type Site } from '#core/model/site';
import { quantityFor, type Measures } from '#core/shared/units';
import { routeLengthM } from './routeLength';

export interface PlanList {
  heading: string;
  columns: string[];
  rows: string[][];
}

/** What stands on a drawing, as lists beside the plan: its cameras with their runs, and its routes with who follows them. */
export function planLists(site: Site, drawing: Drawing, measures: Pick<Measures, 'length'>): PlanList[] {
  const runs = Object.values(site.run);
  const cameras = Object.values(site.pin)
    .filter(({ drawingId, of }) => drawingId === drawing.id && of.kind === 'camera')
    .flatMap(({ of }) => site.camera[of.id] ?? [])
    .sort((a, b) => a.number - b.number)
    .map(({ id, number, name, placeId }) => {
      const run = runs.find(({ cameraId }) => cameraId === id);
      const lengthM = run ? runLengthM(run) : null;
      return [
        String(number),
        name,
        site.place[placeId]?.name ?? '',
        run ? (site.place[run.headEndId]?.name ?? '') : 'no run',
        lengthM === null ? '' : quantityFor(lengthM, 'm', measures),
      ];
    });
  const routes = Object.values(site.route)
    .filter(({ drawingId }) => drawingId === drawing.id)
    .map((route) => {
      const lengthM = routeLengthM(route, drawing);
      const followers = runs
        .filter(({ segments }) => segments.some(({ routeIds = [] }) => routeIds.includes(route.id)))
        .flatMap(({ cameraId }) => site.camera[cameraId]?.number ?? [])
        .sort((a, b) => a - b);
      const links = Object.values(site.link)
        .filter(({ routeIds = [] }) => routeIds.includes(route.id))
        .map(({ name }) => name);
      return [
        route.name,
        lengthM === null ? 'no scale' : quantityFor(lengthM, 'm', measures),
        [...followers, ...links].join(', ') || 'none',
      ];
    });
  return [
    { heading: 'Cameras', columns: ['No.', 'View', 'Place', 'Runs from', 'Run'], rows: cameras },
    { heading: 'Routes', columns: ['Route', 'Length', 'Followed by run or link'], rows: routes },
  ].filter(({ rows }) => rows.length > 0);
}
