import { productOf, type Catalogue } from '#core/model/catalogue';
import type { RadioPath } from '#core/model/site';
import { rankChannels, type RankedChannel } from '#core/physics/wireless';

/** Radios at one mast stand so far apart that neither hears the edge of the other’s channel. Practice of fixed links. */
const apartMHz = 40;

/** The channel of a path, and other paths at one of its ends that have to share it. */
export interface OwnChannel {
  best: RankedChannel;
  sharedWith: RadioPath[];
}

/** Channels of the 5 GHz band on a path, the best for its ends first. */
function rankedFor(catalogue: Catalogue, { region, heard, heardFar }: RadioPath): RankedChannel[] {
  const { eirpDbm } = productOf(catalogue, 'radio', 'radio');
  return rankChannels('5', [heard, heardFar ?? []], { region, eirpDbm });
}

const meets = (a: RadioPath, b: RadioPath): boolean =>
  [a.fromPlaceId, a.toPlaceId].some((id) => id === b.fromPlaceId || id === b.toPlaceId);

function workedOut(
  catalogue: Catalogue,
  radioPath: Readonly<Record<string, RadioPath>>,
): Map<string, OwnChannel> {
  const given = new Map<string, OwnChannel>();
  for (const path of Object.values(radioPath).sort((a, b) => (a.id < b.id ? -1 : 1))) {
    const around = [...given].flatMap(([id, { best }]) =>
      meets(path, radioPath[id]!) ? [{ path: radioPath[id]!, frequencyMHz: best.frequencyMHz }] : [],
    );
    const ranked = rankedFor(catalogue, path);
    const isApart = (one: RankedChannel, leastMHz: number): boolean =>
      around.every(({ frequencyMHz }) => Math.abs(frequencyMHz - one.frequencyMHz) >= leastMHz);
    const best =
      ranked.find((one) => isApart(one, apartMHz)) ?? ranked.find((one) => isApart(one, 1)) ?? ranked[0]!;
    given.set(path.id, {
      best,
      sharedWith: around
        .filter(({ frequencyMHz }) => frequencyMHz === best.frequencyMHz)
        .map((other) => other.path),
    });
  }
  return given;
}

const known = new WeakMap<object, { catalogue: Catalogue; given: Map<string, OwnChannel> }>();

/**
 * A channel for every radio path: the best for its ends that no other radio of the site at one of them has, in the order of
 * ids. Where there are too few they are shared, which is said.
 */
export function ownChannels(
  catalogue: Catalogue,
  radioPath: Readonly<Record<string, RadioPath>>,
): ReadonlyMap<string, OwnChannel> {
  const before = known.get(radioPath);
  if (before?.catalogue === catalogue) return before.given;
  const given = workedOut(catalogue, radioPath);
  known.set(radioPath, { catalogue, given });
  return given;
}
