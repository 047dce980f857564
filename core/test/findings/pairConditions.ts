import { testDefinition, type Run } from '#core/model/site';
import { closeUtilisation, figure, type Derivation } from '#core/shared/derivation';
import type { RunReadings } from '#core/test/readings';
import { wireMapVerdict } from './foundVerdicts';
import { limitVerdict } from './limitVerdict';
import type { LineCondition } from './lineCondition';
import { lineKind } from './loops';

const none: readonly LineCondition[] = [];

/** A map that is not straight: what is wrong at an end is terminated anew with the option, what is wrong on the way is not. */
function mapCondition(readings: RunReadings): LineCondition | undefined {
  const reading = readings['wire-map'];
  if (!reading || reading.found === 'straight') return undefined;
  const { state, message, derivation } = wireMapVerdict(reading);
  const fails = state === 'fails';
  return {
    kind: 'pair-test',
    label: 'wire map',
    unit: '',
    value: 1,
    utilisation: fails ? 2 : closeUtilisation,
    status: fails ? 'fails' : 'close',
    message: `Wire map: ${message}. ${fails ? 'Find it and mend it, then map it again.' : 'Both ends are terminated anew; map it again then.'}`,
    derivation: (): Derivation => ({
      ...derivation(),
      limit: { sense: 'at-most', figure: figure('faults', 0, '', 'standard') },
    }),
  };
}

const figureTests = [
  'pair-unbalance-percent',
  'between-pairs-unbalance-percent',
  'insertion-loss-db',
  'next-db',
] as const;

function figureCondition(
  id: (typeof figureTests)[number],
  readings: RunReadings,
  onFourPairs: boolean,
): LineCondition | undefined {
  const reading = readings[id];
  if (!reading) return undefined;
  const { label, asks } = testDefinition(id);
  const { utilisation, state, message, derivation } = limitVerdict(id, reading);
  // Uneven pairs matter to power over four of them; a camera of up to 25.5 W takes it from two.
  const isMild = id === 'between-pairs-unbalance-percent' && state === 'fails' && !onFourPairs;
  return {
    kind: 'pair-test',
    label: label.toLowerCase(),
    unit: asks.unit,
    value: reading.value,
    utilisation: isMild ? 1 : (utilisation ?? 0),
    status: isMild ? 'close' : state === 'fails' || state === 'close' ? state : 'holds',
    message: `${label}: ${message}`,
    derivation,
  };
}

/** What a cable tester found of a category cable, as it binds data and power over two or four of its pairs. Nothing on other lines. */
export function pairConditions(
  run: Run,
  readings: RunReadings,
  onFourPairs: boolean,
): readonly LineCondition[] {
  if (lineKind(run) !== 'pair') return none;
  const all = [
    mapCondition(readings),
    ...figureTests.map((id) => figureCondition(id, readings, onFourPairs)),
  ];
  return all.filter((condition) => condition !== undefined);
}
