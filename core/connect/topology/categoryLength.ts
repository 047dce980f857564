import { choices } from '#core/model/labels';
import type { Link, Site } from '#core/model/site';
import { categoryChannel, copperReachM, longestChannelM, type CategoryGrade } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import type { TooFar } from './types';

/** So much category cable with its cords, as metres of an Ethernet channel. */
const channelOf = (lengthM: number, temperatureC: number): number =>
  categoryChannel([{ cable: 'pair-cat6', lengthM, temperatureC }]).channelM;

/** How many metres of an Ethernet channel so much category cable counts as with its cords, where that is too many; else nothing. */
export function longerThanChannel(lengthM: number, temperatureC: number): string | null {
  const channelM = channelOf(lengthM, temperatureC);
  return channelM <= longestChannelM
    ? null
    : `is ${formatQuantity(lengthM, 'm')}: with its cords, at ${formatQuantity(temperatureC, '°C', 0)}, that counts as ${formatQuantity(channelM, 'm', 0)} of at most ${formatQuantity(longestChannelM, 'm', 0)}.`;
}

/** Grades of category cable as people say them. */
const gradeName = (grade: CategoryGrade): string =>
  choices.categoryGrade.find(({ value }) => value === grade)!.label;

/** Why a rate does not run so far over cable of its grade: Cat 6 where it is still to be pulled, the poorest where nobody has read it. */
function tooFast({ carriesMbps, categoryGrade, state }: Link, channelM: number): TooFar | null {
  const isUnread = categoryGrade === undefined && state === 'there';
  const grade = categoryGrade ?? (isUnread ? 'cat5e' : 'cat6');
  const reachM = copperReachM(grade, carriesMbps);
  if (channelM <= reachM) return null;
  const [name, rate] = [gradeName(grade), formatQuantity(carriesMbps, 'Mb/s')];
  const [channel, reach] = [channelM, reachM].map((metres) => formatQuantity(metres, 'm', 0));
  const of = isUnread ? 'category cable whose grade nobody has noted' : name;
  return {
    why:
      reachM > 0
        ? `counts as ${channel} of ${of} with its cords: ${rate} reach ${reach} over ${name} without a test of what its neighbours couple in.`
        : `is of ${of}: ${rate} are not promised over ${name}.`,
    remedy: `${isUnread ? 'Read its jacket, and note the grade. ' : ''}Cable of a higher grade, fibre, or slower ports.`,
  };
}

/** Why category cable between places is too long, or too long for its rate, as warm as at its warmer end; nothing where it is not. */
export function categoryTooFar({ place }: Pick<Site, 'place'>, link: Link): TooFar | null {
  const temperatureC = Math.max(...[link.fromPlaceId, link.toPlaceId].map((id) => place[id]!.temperatureC));
  const why = longerThanChannel(link.lengthM, temperatureC);
  if (why === null) return tooFast(link, channelOf(link.lengthM, temperatureC));
  const elsewise = 'Fibre, or a switch on the way.';
  const first = 'Read the frames that arrive damaged at its ports before anything more hangs on it.';
  return { why, remedy: link.state === 'planned' ? elsewise : `${first} ${elsewise}` };
}
