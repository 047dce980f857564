import { describe, expect, it } from 'vitest';
import { evaluateSite, networkAt } from '#core/evaluate';
import type { Figure } from '#core/shared/derivation';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { powerDerivation, powerPicture, type PowerNode } from '.';

const demo = saltmarrowSite();
const picture = (site: Site): PowerNode[] => {
  const evaluation = evaluateSite(site);
  const { topology } = networkAt(site, evaluation, { kind: 'today' });
  return powerPicture(site, evaluation.runs, topology, { kind: 'today' });
};
const all = (nodes: readonly PowerNode[]): PowerNode[] =>
  nodes.flatMap((node) => [node, ...all(node.children)]);
const valueOf = (inputs: readonly Figure[], name: string): number =>
  inputs.find((one) => one.name === name)!.value!;
const nodes = picture(demo);
const derive = (id: string) => powerDerivation(demo, nodes, id)!;

describe('why something takes so many watts', () => {
  it('adds up, for everything in the picture that others hang on', () => {
    const asked = all(nodes).filter(({ children }) => children.length > 0);
    expect(asked.length).toBeGreaterThan(5);
    for (const node of asked) {
      const [sum] = derive(node.id).steps;
      expect(sum!.inputs.reduce((watts, { value }) => watts + value!, 0)).toBeCloseTo(sum!.result.value!, 6);
      expect(derive(node.id).title).toContain(node.name);
      if (node.load) expect(derive(node.id).limit!.figure.value).toBe(node.load.most);
    }
  });
  it('has what a box loses on the way, unless its watts are noted', () => {
    const box = all(nodes).find(({ kind, id }) => kind === 'box' && !demo.supply[id]!.hookUp?.mainsWatts)!;
    const [, intake] = derive(box.id).steps;
    expect(
      valueOf(intake!.inputs, 'together') / (valueOf(intake!.inputs, 'of it arrives') / 100),
    ).toBeCloseTo(box.watts, 6);
    const noted = {
      ...demo,
      supply: {
        ...demo.supply,
        [box.id]: { ...demo.supply[box.id]!, hookUp: { ...demo.supply[box.id]!.hookUp, mainsWatts: 77 } },
      },
    };
    const step = powerDerivation(noted, picture(noted), box.id)!.steps[1]!;
    expect(step.inputs.map(({ name, value }) => [name, value])).toEqual([['takes itself', 77]]);
    expect(step.result).toMatchObject({ value: 77, from: 'noted' });
  });
  it('says how long a UPS lasts and what a breaker bears, by the figures that are noted', () => {
    const ups = all(nodes).find(({ kind, backup }) => kind === 'ups' && backup !== null)!;
    const lasting = derive(ups.id).steps.find(({ formula }) => formula === 'ups-hours')!;
    const { inputs } = lasting;
    expect(lasting.result.value).toBeCloseTo(
      (60 * valueOf(inputs, 'usable Wh') * 0.8 * valueOf(inputs, 'efficiency')) /
        100 /
        valueOf(inputs, 'takes'),
      6,
    );
    // Its battery is of 2020, and the last reading of the demo of 2026.
    const worn = derive(ups.id).steps.find(({ formula }) => formula === 'battery-worn-from')!;
    expect(worn.result.value).toBe(2024);
    expect(worn.message).toMatch(/count on no minutes until it is renewed/);
    const circuit = nodes.find(({ kind }) => kind === 'circuit')!;
    const inPeaks = derive(circuit.id).steps.find(({ formula }) => formula === 'mains-volt-amps')!;
    expect(inPeaks.result).toMatchObject({ value: circuit.load!.used, unit: 'VA' });
    expect(valueOf(inPeaks.inputs, 'takes')).toBe(circuit.watts);
    const bears = derive(circuit.id).steps.find(({ formula }) => formula === 'lasting-load')!;
    expect(bears.result.value).toBeCloseTo(
      valueOf(bears.inputs, 'volts') * valueOf(bears.inputs, 'breaker') * 0.8,
      6,
    );
  });
  it('is none of a camera, and of what is not there', () => {
    expect(powerDerivation(demo, nodes, 'c01')).toBeNull();
    expect(powerDerivation(demo, nodes, 'nothing')).toBeNull();
  });
});
