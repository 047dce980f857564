import { describe, expect, it } from 'vitest';
import { applyChanges, choose, markState, strikeOut, takeBackChoice, takeReading, type Change } from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const at = '2026-04-01T09:00:00Z';
const kindsOf = (changes: Change[]) =>
  changes.map((change) => `${change.kind} ${'set' in change ? 'set' : 'removed'}`);
const fits = (changes: Change[]) => applyChanges(site, changes).kind;

describe('choosing', () => {
  it('frees the slot when the camera changes between coax and IP, and keeps it otherwise', () => {
    expect(kindsOf(choose(site, 'c01', { option: 'ip-coax-pair', by: 'x', at }))).toEqual(['choice set']);
    expect(kindsOf(choose(site, 'c01', { option: 'keep', by: 'x', at }))).toEqual([
      'choice set',
      'placement removed',
    ]);
    expect(kindsOf(choose(site, 'c03', { option: 'hd-coax', by: 'x', at }))).toEqual(['choice set']);
    expect(kindsOf(choose(site, 'c08', { option: 'keep', by: 'x', at }))).toEqual(['choice set']);
    expect(fits(choose(site, 'c01', { option: 'keep', by: 'x', at }))).toBe('sound');
  });
  it('taken back takes the slot with it', () => {
    expect(kindsOf(takeBackChoice(site, 'c01'))).toEqual(['choice removed', 'placement removed']);
    expect(kindsOf(takeBackChoice(site, 'c18'))).toEqual(['choice removed']);
  });
});

describe('readings', () => {
  it('two of one test stand side by side', () => {
    const run = site.run['r08']!;
    const taken = ['a', 'b'].map((mark) =>
      takeReading(run, { test: 'night-volts', value: 9 }, { by: 'x', instrument: '', at, mark }),
    );
    expect(fits(taken)).toBe('sound');
    expect(new Set(taken.map(({ id }) => id)).size).toBe(2);
  });
  it('are struck out, and a run is marked', () => {
    expect(fits([strikeOut(site.reading['r08-night-volts']!, 'lens not covered', 'x', at)])).toBe('sound');
    expect(markState(site.run['r08']!, 'isolated', at)).toMatchObject({
      kind: 'run',
      id: 'r08',
      set: { state: 'isolated', stateSince: at },
    });
  });
});
