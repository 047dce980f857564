import { describe, expect, it } from 'vitest';
import { authoredDrills, checkDrill, type Drill } from '#core/test/drills';
import { drillFormOf, emptyDrillForm, writtenDrill } from './drillForm';

const form = {
  ...emptyDrillForm(),
  title: 'Rail camera after the storm',
  call: 'The rail camera went soft after the storm of last week.',
  troubles: ['joint' as const],
  atM: 60,
  fault: 'series' as const,
  sees: ['soft' as const],
  lesson: 'A loop that is too high asks where.',
};

describe('the form of a drill', () => {
  it('says what was written, and written again it is the same', () => {
    const read = checkDrill(writtenDrill(form, 'own-1'));
    if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
    const again = drillFormOf(read.value);
    expect(again).toEqual(form);
    expect(writtenDrill(again!, 'own-1')).toEqual(read.value);
  });
  it('is there for no drill that says more than it can hold', () => {
    const read = checkDrill(writtenDrill(form, 'own-1'));
    if (read.kind === 'refused') throw new Error('refused');
    const faults = [...read.value.truth.line.faults!, { kind: 'series' as const, atM: 90, ohms: 3 }];
    const more: Drill = { ...read.value, truth: { ...read.value.truth, line: { faults } } };
    expect(drillFormOf(more)).toBeNull();
    const forms = authoredDrills.map((drill) => [drill, drillFormOf(drill)] as const);
    for (const [drill, of] of forms) if (of) expect(writtenDrill(of, drill.id)).toEqual(drill);
    expect(forms.some(([, of]) => of)).toBe(true);
  });
});
