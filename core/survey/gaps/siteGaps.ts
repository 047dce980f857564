import type { Site } from '#core/model/site';
import { camerasWithoutRun } from './camerasWithoutRun';
import type { Gap } from './gap';
import { runGaps } from './runGaps';

/** What of a site is not noted yet: by place, in each place what holds up a test first, camera by camera. */
export function siteGaps(site: Site): Gap[] {
  const runs = Object.values(site.run);
  const headEnds = [...new Set(runs.map(({ headEndId }) => headEndId))];
  const equipped = new Set(Object.values(site.recorder).map(({ placeId }) => placeId));
  const numberOf = ({ cameraId }: Gap): number => (cameraId ? (site.camera[cameraId]?.number ?? 0) : 0);
  const gaps = [
    ...headEnds
      .filter((placeId) => !equipped.has(placeId))
      .map((placeId): Gap => ({
        id: `${placeId}/recorder`,
        before: 'decide',
        placeId,
        cameraId: null,
        target: { kind: 'head-end', placeId },
        message: 'Which recorder stands here? None is noted.',
      })),
    ...camerasWithoutRun(site).map(({ id, placeId }): Gap => ({
      id: `${id}/run`,
      before: 'test',
      placeId,
      cameraId: id,
      target: { kind: 'camera-without-run', cameraId: id },
      message: 'Which cable runs to it? It has none yet.',
    })),
    ...runs.flatMap((run) => runGaps(site, run)),
  ];
  const placeName = ({ placeId }: Gap): string => site.place[placeId]?.name ?? '';
  return gaps.sort(
    (a, b) =>
      placeName(a).localeCompare(placeName(b), 'en') ||
      a.placeId.localeCompare(b.placeId) ||
      numberOf(a) - numberOf(b),
  );
}
