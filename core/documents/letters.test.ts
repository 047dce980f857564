import { describe, expect, it } from 'vitest';
import { inLetters, paperFonts } from '.';

describe('letters of a page', () => {
  it('leave words alone that are in the letters of the program', () => {
    expect(inLetters({ text: 'Loop 9.1 V, −5 °C, 2.5 mm², 40 €', bold: true })).toEqual({
      text: 'Loop 9.1 V, −5 °C, 2.5 mm², 40 €',
      bold: true,
    });
  });
  it('take signs that those do not have from others, wherever the words stand', () => {
    const ohms = [{ text: '9.1 ' }, { text: 'Ω', font: paperFonts.standIn }];
    expect(inLetters({ text: '9.1 Ω' })).toEqual({ text: ohms });
    expect(inLetters({ ul: ['dry', '9.1 Ω'] })).toEqual({ ul: ['dry', { text: ohms }] });
    expect(inLetters({ table: { widths: ['*'], body: [[{ text: '9.1 Ω' }, 'x']] } })).toEqual({
      table: { widths: ['*'], body: [[{ text: ohms }, 'x']] },
    });
    expect(inLetters({ svg: '<svg><text x="1">a</text><text x="2">Ω</text></svg>' })).toEqual({
      svg: '<svg><text x="1">a</text><text x="2" font-family="Roboto">Ω</text></svg>',
      font: paperFonts.own,
    });
  });
  it('have a space that holds figures together, as narrow ones are in neither', () => {
    expect(inLetters({ text: '10\u202f068 EUR' })).toEqual({ text: '10\u00a0068 EUR' });
  });
});
