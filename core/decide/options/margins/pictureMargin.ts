import type { PictureFormat } from '#core/physics/signal';
import { faultsLossDb, pictureOver } from '#core/test/findings';
import { pictureLossUnder } from '#core/test/scenarios';
import type { Context } from '../context';
import type { Margin } from '../option';
import { isTraced } from './isTraced';

/** What a picture of a format loses over the run. */
export function pictureMarginOf(context: Context, format: PictureFormat): Margin {
  const { run, findings } = context;
  const faultsDb = faultsLossDb(run, findings.events, format.topMHz);
  const { lossDb, utilisation, status, derivation } = pictureOver(run, format, faultsDb);
  return {
    kind: 'picture-loss',
    label: `picture, ${format.label}`,
    unit: 'dB',
    value: lossDb,
    utilisation,
    status,
    basis: 'typical',
    unread: !isTraced(context),
    derivation,
    under: (scenario) =>
      pictureLossUnder(run, format, { faultsDb, traced: isTraced(context) }, scenario) / format.limitDb,
  };
}
