import { expect, it } from 'vitest';
import { withChanges } from '#core/model/site';
import { saltmarrowSite } from '../model/site/testSite';
import { evaluateSite, runDiagnostics } from '.';

const demo = saltmarrowSite();

it.each([2, 60, 2000])('chances of a run behind a lead of %i m sum to one, whatever it brings', (lengthM) => {
  const box = demo.supply['hall-box']!;
  const lead = { cable: 'power-2x18-cu', outCores: 1, backCores: 1, lengthM, temperatureC: 20 } as const;
  const outputs = box.outputs.map((output) => ({ ...output, lead }));
  const site = withChanges(demo, [{ kind: 'supply', id: box.id, set: { ...box, outputs } }]);
  const { diagnosis } = runDiagnostics({ site, evaluation: evaluateSite(site) }, 'r02')!;
  expect(diagnosis.ranked.length).toBeGreaterThan(10);
  for (const { probability } of diagnosis.ranked) expect(probability).toBeGreaterThanOrEqual(0);
  const [sound] = diagnosis.sets;
  expect(sound!.probability).toBeGreaterThan(0);
  expect(sound!.probability).toBeLessThanOrEqual(1);
});
