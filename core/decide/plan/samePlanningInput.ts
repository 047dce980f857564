import type { Kind, Site } from '#core/model/site';

/** Kinds of fact that a plan rests on. Slots, drawings and kept plans are none of them. */
const underAPlan: readonly Kind[] = [
  'place',
  'camera',
  'supply',
  'recorder',
  'run',
  'reading',
  'mending',
  'equipment',
  'product',
  'demands',
  'radioPath',
  'link',
  'sheath',
  'networkCamera',
  'stream',
  'allocationSettings',
];

const locks = ({ choice }: Site): string =>
  Object.values(choice)
    .filter(({ locked }) => locked)
    .map(({ id, option }) => `${id} ${option}`)
    .sort()
    .join();

/** Whether a plan for one site is a plan for the other: nothing that it rests on has changed between them, locks among it. */
export function samePlanningInput(a: Site, b: Site): boolean {
  return (
    a === b ||
    (underAPlan.every((kind) => a[kind] === b[kind]) && (a.choice === b.choice || locks(a) === locks(b)))
  );
}
