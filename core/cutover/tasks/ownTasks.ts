import { catalogueOf } from '#core/model/catalogue';
import type { OwnTask, Site } from '#core/model/site';
import { taskIdOf, taskOf, type Task } from './task';
import type { TaskKind } from './taskKinds';

const kindAt: Record<OwnTask['when'], TaskKind> = { before: 'own-before', night: 'own', after: 'own-after' };

/** What people have added to what follows from the site. */
export function ownTasks(site: Pick<Site, 'product' | 'ownTask'>): Task[] {
  const catalogue = catalogueOf(site);
  return Object.values(site.ownTask).map((one) =>
    taskOf(catalogue, {
      id: taskIdOf('own', one.id),
      kind: kindAt[one.when],
      of: one.name,
      place: one.placeId,
      likelyMinutes: one.minutes,
      people: one.people,
      skills: one.skills,
      needs: one.needs ?? [],
      dark: (one.dark?.cameraIds ?? []).map((view) => ({ view, minutes: one.dark!.minutes })),
    }),
  );
}
