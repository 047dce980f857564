import { describe, expect, it } from 'vitest';
import { applyChanges, inputsText, noteRecorder, parseForced, parseInputs, forcedText, sameFacts } from '.';
import { saltmarrowSite } from './testSite';

const site = saltmarrowSite();
const hall = site.recorder['hall-recorder']!;

describe('a recorder noted anew', () => {
  it('that has fewer slots sends the cameras beyond them back to the tray', () => {
    const changes = noteRecorder(site, { ...hall, rules: { kind: 'highest-first', extraIpSlots: 1 } });
    expect(changes).toMatchObject([
      { kind: 'placement', id: 'c02', remove: true },
      { kind: 'recorder', id: hall.id },
    ]);
    expect(applyChanges(site, changes).kind).toBe('sound');
  });
  it('that has fewer inputs forgets how they were set, and is refused while leads are on them', () => {
    const smaller = noteRecorder(site, {
      ...hall,
      inputs: 8,
      ipInputs: [7, 16],
      forced: [{ input: 9, format: 'cvbs' }],
    });
    expect(smaller.at(-1)).toMatchObject({ set: { ipInputs: [7] } });
    expect((smaller.at(-1) as { set: object }).set).not.toHaveProperty('forced');
    const refused = applyChanges(site, smaller);
    expect(refused.kind === 'refused' && refused.problems[0]!.allowed).toMatch(
      /an input from 1 to 8 of Hall recorder/,
    );
  });
});

describe('two states of a site', () => {
  it('say the same where only the order of fields differs, and not where a fact does or is gone', () => {
    const { id, name, ...rest } = hall;
    const withHall = (recorder: object) => ({
      ...site,
      recorder: { ...site.recorder, [hall.id]: recorder as typeof hall },
    });
    expect(sameFacts(site, withHall({ ...rest, name, id }))).toBe(true);
    expect(sameFacts(site, withHall({ ...hall, name: 'Another' }))).toBe(false);
    expect(sameFacts(site, { ...site, placement: {} })).toBe(false);
    expect(sameFacts({ ...site, placement: {} }, site)).toBe(false);
  });
});

describe('inputs in a line', () => {
  it('are read as numbers and ranges', () => {
    expect(parseInputs('13, 15-16', 16)).toEqual({ kind: 'read', value: [13, 15, 16] });
    expect(parseInputs('', 16)).toEqual({ kind: 'read', value: [] });
    expect(parseInputs('17', 16)).toMatchObject({ kind: 'refused' });
    expect(parseInputs('three', 16)).toMatchObject({ kind: 'refused' });
    expect(inputsText([13, 15, 16])).toBe('13, 15, 16');
  });
  it('with the format that each is set to', () => {
    expect(parseForced('3: cvbs; 4: hd1080', 16)).toEqual({
      kind: 'read',
      value: [
        { input: 3, format: 'cvbs' },
        { input: 4, format: 'hd1080' },
      ],
    });
    expect(parseForced('3: sepia', 16)).toMatchObject({
      kind: 'refused',
      why: expect.stringMatching(/cvbs/),
    });
    expect(parseForced('40: cvbs', 16)).toMatchObject({ kind: 'refused' });
    expect(forcedText([{ input: 3, format: 'cvbs' }])).toBe('3: cvbs');
  });
});
