import type { Camera, Environment, Run, Site } from '#core/model/site';

/** Foreign volts above which nobody goes on, on one run. */
export interface TouchLimits {
  acVolts: number;
  dcVolts: number;
  /** Why they are lower than usual; nothing where they are not. */
  because: string | null;
}

/**
 * Where skin is dry: 50 V AC, 60 V DC. Where it is wet: 25 V AC, 30 V DC. Source: extra-low voltage limits of IEC 61140 and
 * IEC 60364-4-41 (SELV, basic protection not required below them); local code may set less.
 */
const dryLimits: TouchLimits = { acVolts: 50, dcVolts: 60, because: null };
const wetLimits = { acVolts: 25, dcVolts: 30 };

const wetWords: Partial<Record<Environment, string>> = {
  underground: 'cable underground',
  marine: 'a marine place',
};

const wetLimitsFor = new Map<string, TouchLimits>();
/** One object for each reason, so that verdicts can be shared between runs. */
function wetBecause(because: string): TouchLimits {
  let limits = wetLimitsFor.get(because);
  if (!limits) wetLimitsFor.set(because, (limits = { ...wetLimits, because }));
  return limits;
}

/** Limits for whoever touches the run at either end or on the way: the wettest of its places and segments decides. */
export function touchLimits(
  { place }: Pick<Site, 'place'>,
  { headEndId, segments }: Pick<Run, 'headEndId' | 'segments'>,
  { placeId }: Pick<Camera, 'placeId'>,
): TouchLimits {
  const ends = [place[headEndId]!, place[placeId]!];
  const marked = ends.find(({ restrictions }) => restrictions.includes('wet'));
  if (marked) return wetBecause(`${marked.name} is noted as wet`);
  for (const { environment } of [...ends, ...segments]) {
    const because = wetWords[environment];
    if (because) return wetBecause(because);
  }
  return dryLimits;
}
