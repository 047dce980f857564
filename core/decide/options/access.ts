import type { Place } from '#core/model/site';
import { rememberedFor } from '#core/shared/memo';
import { formatQuantity } from '#core/shared/units';
import type { Context } from './context';
import { unitsFor, type SharedThing } from './sharing';

/** What it takes to reach a camera. */
export interface Access {
  work: string[];
  needsLift: boolean;
  cautions: string[];
}
export const noAccess: Access = { work: [], needsLift: false, cautions: [] };

/** How high people work from each without more: standing, on a ladder that is footed, on a usual platform. Practice. */
const usualReachM: Partial<Record<Place['access']['by'], number>> = { ground: 2.5, ladder: 6, lift: 12 };

/** The way that reaches the camera: the noted one, or the next that is high enough. */
function wayUp({ access: { by, heightM, reachM } }: Place): Place['access']['by'] {
  const reaches = reachM ?? usualReachM[by] ?? Infinity;
  if (heightM <= reaches || by === 'lift' || by === 'rope') return by;
  return by === 'ground' && heightM <= usualReachM.ladder! ? 'ladder' : 'lift';
}

const byWords: Record<Place['access']['by'], string> = {
  ground: 'from the ground',
  ladder: 'with a ladder',
  lift: 'with a lift',
  rope: 'by rope',
};

/** Where what was noted does not reach, in words with what is counted in its place. */
function tooShort({ name, access: { by, heightM, reachM } }: Place, way: Place['access']['by']): string[] {
  const reaches = reachM ?? usualReachM[by];
  if (reaches === undefined || heightM <= reaches) return [];
  const said = `${name} is noted as reached ${byWords[by]}, up to ${formatQuantity(reaches, 'm')}; the camera hangs at ${formatQuantity(heightM, 'm')}`;
  return [way === by ? `${said}: ask for one that reaches.` : `${said}: counted ${byWords[way]}.`];
}

/** Time, hire and cautions that the camera's height costs, once per visit. */
export const accessWork = ({ place }: Pick<Context, 'place'>): Access => accessTo(place);

const accessTo = rememberedFor((place: Place): Access => {
  const way = wayUp(place);
  const short = tooShort(place, way);
  switch (way) {
    case 'ground':
      return noAccess;
    case 'ladder':
      return {
        work: ['ladder'],
        needsLift: false,
        cautions: [...short, 'Working at height: ladder footed, never alone.'],
      };
    case 'lift':
      return {
        work: ['lift-or-rope'],
        needsLift: true,
        cautions: [...short, 'Working at height: lift and trained operator, never alone.'],
      };
    case 'rope':
      return {
        work: ['lift-or-rope'],
        needsLift: false,
        cautions: ['Rope access: trained people only, never alone.'],
      };
  }
});

const halfDayHours = 4;
/** Nobody works up there alone: hours of one person are half as long for two. */
export const peopleOnLift = 2;
/** Half-days of a lift for so many hours of one person up there. */
export const liftHalfDays = (hours: number): number =>
  unitsFor({ capacity: halfDayHours, free: 0 }, hours / peopleOnLift);
/** The row of the catalogue that a lift is hired by. */
export const liftHire = 'lift-half-day';
const halfDay = [{ item: liftHire, count: 1 }];
const noTasks: never[] = [];

/** A lift is hired by the half-day, and serves every camera of its place for as long as it stands there. */
export const liftOf = (
  { place, around }: Pick<Context, 'place' | 'around'>,
  cameraHours: number,
): SharedThing => ({
  key: `lift ${place.id}`,
  kind: 'lift',
  placeId: place.id,
  label: `Lift at ${place.name}`,
  parts: halfDay,
  tasks: noTasks,
  need: cameraHours / peopleOnLift,
  capacity: halfDayHours,
  free: 0,
  among: around.camerasAtPlace(),
});
