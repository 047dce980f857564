import { catalogueOf, productOf } from '#core/model/catalogue';
import type { Link, Site } from '#core/model/site';
import { fibreLossDb, fibreReachM, fibreRepairDb, type FibreGrade } from '#core/physics/signal';
import { formatQuantity } from '#core/shared/units';
import type { TooFar } from './types';

/** The grade that reaches least, which a fibre may be of as long as nobody has read its jacket. */
const poorestGrade = 'om1';

/** Why the modes of a fibre run apart before its end; nothing over single mode. */
function modesRunApart({ lengthM, carriesMbps }: Link, grade: FibreGrade, isUnread: boolean): TooFar | null {
  const reachM = fibreReachM(grade, carriesMbps);
  if (lengthM <= reachM) return null;
  const [length, rate] = [formatQuantity(lengthM, 'm'), formatQuantity(carriesMbps, 'Mb/s')];
  const [reach, name] = [formatQuantity(reachM, 'm', 0), grade.toUpperCase()];
  return isUnread
    ? {
        why: `is ${length} of fibre whose grade nobody has noted: ${rate} reach ${reach} over ${name}.`,
        remedy: 'Read its jacket, and note the grade.',
      }
    : {
        why: `is ${length} of ${name}: ${rate} reach ${reach} over that.`,
        remedy: 'Single mode and its converters, or a slower pair of them.',
      };
}

/** Why a fibre loses more light than its converters bridge, at the most that is accepted of it: one that is planned with what mending a cut will take. */
function losesTooMuch({ lengthM, state }: Link, grade: FibreGrade, budgetDb: number): TooFar | null {
  const isPlanned = state === 'planned';
  const lossDb = fibreLossDb(lengthM, grade) + (isPlanned ? fibreRepairDb : 0);
  if (lossDb <= budgetDb) return null;
  const [loss, budget] = [lossDb, budgetDb].map((dB) => formatQuantity(dB, 'dB', 1));
  return {
    why: `loses up to ${loss} of light over ${formatQuantity(lengthM, 'm')}${isPlanned ? ', with what mending a cut takes' : ''}: the converters of the catalogue bridge ${budget}.`,
    remedy: isPlanned
      ? 'Converters that bridge more: note their budget in the catalogue.'
      : 'Measure the light at both ends, and hold it against the data sheet of its converters, before anything more hangs on it.',
  };
}

/**
 * Why a fibre between places is longer than its grade or its converters allow; nothing where it is not. What is still to be laid is of the
 * grade that the converters of the catalogue are made for; nothing is said of light where these are made for another kind of fibre.
 */
export function fibreTooFar(site: Pick<Site, 'product'>, link: Link): TooFar | null {
  const { budgetDb, fibre = 'os2' } = productOf(catalogueOf(site), 'fibre-end', 'fibre-end');
  const { fibreGrade, state } = link;
  const isUnread = fibreGrade === undefined && state === 'there';
  const grade = fibreGrade ?? (isUnread ? poorestGrade : fibre);
  const apart = modesRunApart(link, grade, isUnread);
  if (apart || isUnread || (grade === 'os2') !== (fibre === 'os2')) return apart;
  return losesTooMuch(link, grade, budgetDb);
}
