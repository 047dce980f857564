import { runLengthM, testDefinition, type QuantityReading, type Run } from '#core/model/site';
import { figure, utilisationOf, type Limit } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import { lengthFigure } from './loops';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** Of 100 m: above the first dry, between damp, below the second wet or damaged. Source: practice at 250 V or less. */
const dryMegohms = 10;
const wetMegohms = 1;
const ofM = 100;

/** Below this a run of this length is wet, in megohms. */
export const wetBelowMegohms = (run: Run): number => scaled(wetMegohms, runLengthM(run));

export type InsulationState = 'dry' | 'damp' | 'wet';

/** Leaks along a cable stand side by side, so what is dry for 100 m is a tenth of it for a kilometre. Source: R ∝ 1/L. */
const scaled = (megohms: number, lengthM: number): number => (megohms * ofM) / lengthM;

/** What an insulation reading says of the water in a run. */
export function insulationState(run: Run, megohms: number): InsulationState {
  const lengthM = runLengthM(run);
  if (megohms > scaled(dryMegohms, lengthM)) return 'dry';
  return megohms >= scaled(wetMegohms, lengthM) ? 'damp' : 'wet';
}

const words = {
  dry: { state: 'holds', message: 'dry' },
  damp: { state: 'close', message: 'damp: find where, before it is wet' },
  wet: { state: 'fails', message: 'wet or damaged' },
} as const;

/** What the insulation reading says about water and damage. */
export function insulationVerdict(run: Run, reading: QuantityReading | undefined): Verdict {
  const { id, label } = testDefinition('insulation-megohms');
  const lengthM = runLengthM(run);
  const [dry, wet] = [scaled(dryMegohms, lengthM), scaled(wetMegohms, lengthM)];
  const limit: Limit = { sense: 'at-least', figure: figure('wet below', wet, 'MΩ', 'policy') };
  const expected = figure('above', dry, 'MΩ', 'policy');
  const conclusion = (): string =>
    `Of ${formatQuantity(lengthM, 'm')}: above ${formatQuantity(dry, 'MΩ')} dry, down to ${formatQuantity(wet, 'MΩ')} damp, below that wet or damaged.`;
  if (!reading) {
    // Words are written when they are asked for: a thousand runs have each their own.
    const derivation = () => ({ title: label, steps: [], limit, conclusion: conclusion() });
    return { ...unreadVerdict({ id, message: 'not read yet', expected, conclusion: '' }), derivation };
  }
  const read = figure('read', reading.value, 'MΩ', 'measured');
  return {
    id,
    label,
    read,
    expected,
    basis: 'measured',
    utilisation: utilisationOf(reading.value, limit),
    ...words[insulationState(run, reading.value)],
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'MΩ')}`,
      limit,
      conclusion: conclusion(),
      steps: [
        {
          message: 'Wet below, at this length',
          formula: 'insulation-by-length',
          inputs: [lengthFigure(run), figure('of 100 m', wetMegohms, 'MΩ', 'policy')],
          result: limit.figure,
        },
        { message: 'Read', formula: 'against-limit', inputs: [read], result: read },
      ],
    }),
  };
}
