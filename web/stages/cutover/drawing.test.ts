import { describe, expect, it } from 'vitest';
import { darkLines } from './darkLines';
import { linesApart } from './linesApart';
import { nightScale } from './nightScale';

describe('the hours of a night', () => {
  const scale = nightScale('21:00', 480);
  it('run from an hour before the shift to an hour after it', () => {
    expect(scale.hours.map(({ label }) => label)).toEqual(
      '20 21 22 23 00 01 02 03 04 05 06'.split(' ').map((hour) => `${hour}:00`),
    );
    expect([scale.leftOf(-60), scale.leftOf(0), scale.leftOf(480), scale.leftOf(540)]).toEqual([
      0, 10, 90, 100,
    ]);
  });
  it('stand at full hours where the shift begins past one', () => {
    expect(nightScale('21:30', 480).hours[0]).toEqual({ at: -30, label: '21:00' });
  });
  it('keep what is earlier or later than is drawn at the edge', () => {
    expect([scale.leftOf(-500), scale.leftOf(2000)]).toEqual([0, 100]);
  });
});

describe('dark views as strokes', () => {
  const numberOf = (view: string) => Number(view.slice(1));
  const band = (view: string, start: number, end: number) => ({ view, start, end });
  it('that go together are one, named as long as they are few', () => {
    expect(darkLines([band('c07', 0, 4), band('c06', 0, 4)], numberOf)).toEqual([
      { start: 0, end: 4, line: 0, label: '6, 7' },
    ]);
    const many = [1, 2, 3, 4].map((n) => band(`c0${n}`, 0, 4));
    expect(darkLines(many, numberOf)[0]!.label).toBe('4 views');
  });
  it('that meet, or would meet the name of another, stand under each other', () => {
    const lines = darkLines([band('c01', 0, 60), band('c02', 30, 90), band('c03', 200, 220)], numberOf);
    expect(lines.map(({ line }) => line)).toEqual([0, 1, 0]);
    expect(darkLines([band('c01', 0, 60), band('c02', 70, 90)], numberOf).map(({ line }) => line)).toEqual([
      0, 1,
    ]);
  });
});

describe('lines under each other', () => {
  const span = (start: number, end: number) => ({ start, end });
  it('are one where nothing meets, and what ends where another begins does not', () =>
    expect(linesApart([span(0, 10), span(10, 20), span(25, 30)])).toEqual([0, 0, 0]));
  it('take what meets the one before on the first line that is free', () =>
    expect(linesApart([span(0, 10), span(5, 9), span(7, 20), span(9, 12), span(10, 11)])).toEqual([
      0, 1, 2, 1, 0,
    ]));
});
