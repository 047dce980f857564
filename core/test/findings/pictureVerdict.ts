import { pathLossDb } from '#core/physics/cable';
import {
  balunLossDb,
  pictureFormat,
  pictureMargin,
  soundJointLossDb,
  type PictureFormat,
  type PictureMargin,
} from '#core/physics/signal';
import type { Run } from '#core/model/site';
import { figure, worst, type Status, type LazyDerivation } from '#core/shared/derivation';
import { faultsLossDb } from './faultsLoss';
import { gearLossDb } from './gearInLine';
import { lengthFigure, lineKind } from './loops';
import { hasOtherImpedance, mismatchLossDb } from './mismatchLoss';
import type { RunEvent } from './traceEvents';
import type { Verdict } from './verdict';

/** Loss that the picture meets beside the cable: sound joints, gear in the line, steps of impedance, and a balun at each end of category cable. */
export function extraPictureLossDb(run: Run): number {
  const jointCount = run.segments.filter((segment) => segment.joint).length;
  const balunCount = lineKind(run) === 'coax' ? 0 : 2;
  return jointCount * soundJointLossDb + balunCount * balunLossDb + gearLossDb(run) + mismatchLossDb(run);
}

const standings: Record<PictureMargin['state'], Status> = {
  clean: 'holds',
  marginal: 'close',
  lost: 'fails',
};

const ghosts =
  'Some of this coax is not 75 Ω: it sends echoes, and the picture may show ghosts. Look at it first.';

function conclusionOf(state: PictureMargin['state'], { cleanDb }: PictureFormat): string {
  switch (state) {
    case 'clean':
      return 'A clean picture.';
    case 'marginal':
      return `Softer than it should be: clean up to ${cleanDb} dB.`;
    case 'lost':
      return 'Too little of the picture arrives.';
  }
}

export interface PictureResult {
  lossDb: number;
  utilisation: number;
  status: Status;
  derivation: LazyDerivation;
}

/** The picture in one format over this run, with its working. `faultsDb` is what faults on the way take that a trace has shown. */
export function pictureOver(run: Run, format: PictureFormat, faultsDb = 0): PictureResult {
  const extra = extraPictureLossDb(run) + faultsDb;
  const { lossDb, state } = pictureMargin(run.segments, format, extra);
  const isGhostly = hasOtherImpedance(run);
  return {
    lossDb,
    status: isGhostly ? worst([standings[state], 'close']) : standings[state],
    utilisation: lossDb / format.limitDb,
    derivation: () => ({
      title: `Picture, ${format.label}`,
      steps: [
        {
          message: `Loss at ${format.topMHz} MHz`,
          formula: 'picture-loss',
          result: figure('loss', lossDb, 'dB', 'typical'),
          inputs: [
            lengthFigure(run),
            figure('cable', pathLossDb(run.segments, format.topMHz), 'dB', 'typical'),
            figure(
              faultsDb > 0 ? 'joints, baluns and faults' : 'joints and baluns',
              extra,
              'dB',
              faultsDb > 0 ? 'measured' : 'typical',
            ),
          ],
        },
      ],
      limit: { sense: 'at-most', figure: figure('still holds up to', format.limitDb, 'dB', 'typical') },
      conclusion: isGhostly && state !== 'lost' ? ghosts : conclusionOf(state, format),
    }),
  };
}

/** The picture as it is sent today. Computed from the construction; there is nothing to read for it yet. */
export function pictureVerdict(run: Run, formatId: string, events: readonly RunEvent[]): Verdict {
  const format = pictureFormat(formatId);
  const faultsDb = faultsLossDb(run, events, format.topMHz);
  const { lossDb, utilisation, status, derivation } = pictureOver(run, format, faultsDb);
  return {
    id: 'picture',
    label: `Picture, ${format.label}`,
    state: status,
    utilisation,
    read: null,
    expected: figure('expected', lossDb, 'dB', 'typical'),
    message: {
      holds: 'should be clean',
      close: 'soft to be expected, still held',
      fails: 'too much is lost',
    }[status],
    basis: 'typical',
    derivation,
  };
}
