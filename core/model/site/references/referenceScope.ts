import { acceptedKinds } from '../acceptanceChecks';
import type { Change } from '../change';
import type { Fact, Kind, Site } from '../site';

/** What the facts of a kind lean on: where one of those goes, or is another than it was, they are looked at again. */
const leansOn: Partial<Record<Kind, readonly Kind[]>> = {
  camera: ['place'],
  supply: ['place', 'equipment'],
  recorder: ['place', 'equipment'],
  equipment: ['place', 'equipment', 'recorder', 'camera'],
  run: ['camera', 'place', 'route', 'supply', 'recorder'],
  reading: ['run'],
  mending: ['run'],
  choice: ['camera', 'savedPlan'],
  placement: ['camera', 'recorder'],
  stream: ['camera'],
  networkConfig: ['camera'],
  allocationSettings: ['camera'],
  viewRule: ['camera'],
  taskSetting: ['crewMember'],
  ownTask: ['place', 'camera'],
  plannedNight: ['crewMember'],
  offerSettings: ['savedPlan'],
  radioPath: ['place'],
  link: ['place', 'equipment', 'recorder', 'route'],
  networkCamera: ['camera', 'recorder'],
  sheath: ['run'],
  attachment: ['camera'],
  route: ['drawing'],
  pin: ['drawing', 'camera', 'place', 'recorder', 'supply', 'equipment', 'run'],
  acceptanceReading: [...acceptedKinds, 'photo'],
  punchItem: [...acceptedKinds, 'photo'],
  acceptance: [...acceptedKinds, 'acceptanceReading', 'punchItem'],
  photo: ['camera', 'place', 'recorder', 'supply', 'equipment', 'run'],
};

/** Kinds of which others ask more than that they are there: how many inputs, which outputs, what gear, whether it counts. */
const shaped: ReadonlySet<Kind> = new Set<Kind>(['recorder', 'supply', 'equipment', 'acceptanceReading']);

/** Which facts of a site have to be looked at. */
export interface ReferenceScope {
  facts: <K extends Kind>(kind: K) => Fact<K>[];
  /** Whether two facts of a kind can claim the same now that did not before. */
  mayClash: (kind: Kind) => boolean;
}

export const wholeScope = (site: Site): ReferenceScope => ({
  facts: (kind) => Object.values(site[kind]),
  mayClash: () => true,
});

/** What changes to a sound site can have broken: the facts that they set, and those that lean on what is gone or is another. */
export function scopeOfChanges(site: Site, changes: readonly Change[]): ReferenceScope {
  const touched = new Map<Kind, Set<string>>();
  const stirred = new Set<Kind>();
  for (const change of changes) {
    const { kind, id } = change;
    touched.set(kind, (touched.get(kind) ?? new Set()).add(id));
    if (!('set' in change) || shaped.has(kind)) stirred.add(kind);
  }
  return {
    facts: <K extends Kind>(kind: K): Fact<K>[] => {
      const facts = site[kind] as Readonly<Record<string, Fact<K>>>;
      if (leansOn[kind]?.some((other) => stirred.has(other))) return Object.values(facts);
      return [...(touched.get(kind) ?? [])].flatMap((id) => facts[id] ?? []);
    },
    mayClash: (kind) => touched.has(kind),
  };
}
