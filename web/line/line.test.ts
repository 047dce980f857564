import { describe, expect, it } from 'vitest';
import { evaluateSite, summaryOf } from '#core/evaluate';
import { saltmarrowSite } from '../../core/model/site/testSite';
import { boardLayout, ordered } from './boardLayout';
import { inSight } from './inSight';
import { axisStep, axisTicks } from './lineGeometry';

const site = saltmarrowSite();
const { runs } = summaryOf(evaluateSite(site));
const metres = (lengthM: number) => `${Math.round(lengthM)} m`;
const groups = [
  { name: 'Ticket hall', runs: runs.slice(0, 4) },
  { name: 'Quay', runs: runs.slice(11, 16) },
];

describe('the axis of a line', () => {
  it('has round steps and reaches the end', () => {
    expect([axisStep(34, 6), axisStep(480, 6), axisStep(5000, 6)]).toEqual([10, 100, 1000]);
    expect(axisTicks(480, 6, 10, 1, { length: 'm', gauge: 'awg' }).map(({ text, x }) => [text, x])).toEqual([
      ['0 m', 10],
      ['100 m', 110],
      ['200 m', 210],
      ['300 m', 310],
      ['400 m', 410],
    ]);
    const feet = axisTicks(480, 6, 0, 1, { length: 'ft', gauge: 'awg' });
    expect([feet.at(-1)!.text, feet.at(-1)!.x]).toEqual(['1500 ft', expect.closeTo(457.2, 6)]);
  });
});

describe('the board', () => {
  it('keeps every line and its words inside the width', () => {
    for (const width of [360, 640, 1000]) {
      const { rows } = boardLayout(groups, 'place', width, 700, metres);
      expect(Math.max(...rows.map(({ shape }) => shape.endX))).toBeLessThan(width - 60);
    }
  });
  it('fits the height where it can', () => {
    expect(boardLayout(groups, 'place', 1000, 700, metres).height).toBeLessThanOrEqual(700);
    expect(
      boardLayout([{ name: 'x', runs: [...runs, ...runs, ...runs] }], 'place', 1000, 400, metres).height,
    ).toBeGreaterThan(400);
  });
  it('puts trouble first, or the longest', () => {
    const trouble = ordered(runs, 'trouble').map(({ findings }) => findings.state);
    expect(trouble.slice(0, 4)).toEqual(['fails', 'fails', 'fails', 'fails']);
    expect(trouble.at(-1)).toBe('holds');
    expect(ordered(runs, 'length')[0]!.lengthM).toBe(480);
  });
  it('draws of a long column what is in sight, and a reserve', () => {
    const column = Array.from({ length: 1000 }, (_, k) => ({ y: k * 20 }));
    const seen = inSight(column, 5000, 600);
    expect([seen[0]!.y, seen.at(-1)!.y]).toEqual([4760, 5820]);
    expect(inSight(column, 0, 600)[0]!.y).toBe(0);
    expect(inSight([], 0, 600)).toEqual([]);
  });
});
