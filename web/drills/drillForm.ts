import same from 'fast-deep-equal';
import { drillFormat, drillTests, type Drill, type DrillLevel } from '#core/test/drills';
import type { Symptom } from '#core/physics/picture';
import type { Environment, TestId, Trouble } from '#core/model/site';

/** What a form can say of a drill. */
export interface DrillForm {
  title: string;
  level: DrillLevel;
  call: string;
  minutes: number;
  placeName: string;
  environment: Environment;
  by: Drill['place']['by'];
  cable: Drill['line']['cable'];
  lengthM: number;
  spreadM: number;
  power: Drill['power'];
  toolbox: TestId[];
  troubles: Trouble[];
  atM: number | null;
  fault: 'none' | 'series' | 'shunt' | 'tap';
  faultOhms: number;
  metal: 'same' | Drill['line']['cable'];
  insulation: number | null;
  earthVolts: number | null;
  inducedVolts: number | null;
  powerOhms: number | null;
  nightVolts: number | null;
  sees: Symptom[];
  lesson: string;
}

export const emptyDrillForm = (): DrillForm => ({
  title: '',
  level: 2,
  call: '',
  minutes: 90,
  placeName: 'Quay rail',
  environment: 'outdoor',
  by: 'ladder',
  cable: 'coax-rg59-cu',
  lengthM: 120,
  spreadM: 3,
  power: 'along-run',
  toolbox: drillTests.filter((test) => test !== 'wire-map'),
  troubles: [],
  atM: null,
  fault: 'none',
  faultOhms: 6,
  metal: 'same',
  insulation: null,
  earthVolts: null,
  inducedVolts: null,
  powerOhms: null,
  nightVolts: null,
  sees: [],
  lesson: '',
});

/** A branch that the form puts into a line. */
const stubM = 12;

function faultsOf({ fault, atM, faultOhms }: DrillForm): NonNullable<Drill['truth']['line']['faults']> {
  if (fault === 'none' || atM === null) return [];
  return fault === 'tap' ? [{ kind: 'tap', atM, stubM }] : [{ kind: fault, atM, ohms: faultOhms }];
}

/** What the form says, as a drill under this id; whether it can be is for its check to say. */
export function writtenDrill(form: DrillForm, id: string): unknown {
  const { metal, insulation, earthVolts, inducedVolts, powerOhms, nightVolts, atM } = form;
  const faults = faultsOf(form);
  return {
    format: drillFormat,
    version: 1,
    id,
    title: form.title.trim(),
    level: form.level,
    call: form.call.trim(),
    minutes: form.minutes,
    toolbox: [...form.toolbox],
    place: { name: form.placeName.trim(), environment: form.environment, by: form.by },
    line: { cable: form.cable, lengthM: form.lengthM, spreadM: form.spreadM },
    power: form.power,
    truth: {
      troubles: [...form.troubles],
      ...(atM === null ? {} : { atM }),
      line: {
        ...(metal === 'same' ? {} : { segments: [{ cable: metal }] }),
        ...(faults.length > 0 ? { faults } : {}),
        ...(insulation === null ? {} : { insulationMegohms: insulation }),
        ...(earthVolts === null ? {} : { shieldEarthVolts: earthVolts }),
        ...(inducedVolts === null ? {} : { inducedAcVolts: inducedVolts }),
        ...(powerOhms === null ? {} : { powerExtraOhms: powerOhms }),
      },
      ...(nightVolts === null ? {} : { nightSupplyVolts: nightVolts }),
      sees: [...form.sees],
    },
    lesson: form.lesson.trim(),
  };
}

/** The form of a drill that was written; `null` where the drill says more than a form can, which changing it would lose. */
export function drillFormOf(drill: Drill): DrillForm | null {
  const { place, line, truth } = drill;
  const [fault] = truth.line.faults ?? [];
  const ohms = fault && 'ohms' in fault ? fault.ohms : emptyDrillForm().faultOhms;
  const kind = fault?.kind;
  const form: DrillForm = {
    title: drill.title,
    level: drill.level,
    call: drill.call,
    minutes: drill.minutes,
    placeName: place.name,
    environment: place.environment,
    by: place.by,
    cable: line.cable,
    lengthM: line.lengthM,
    spreadM: line.spreadM,
    power: drill.power,
    toolbox: drill.toolbox,
    troubles: truth.troubles,
    atM: truth.atM ?? null,
    fault: kind === 'series' || kind === 'shunt' || kind === 'tap' ? kind : 'none',
    faultOhms: ohms,
    metal: (truth.line.segments?.[0]?.cable as DrillForm['metal'] | undefined) ?? 'same',
    insulation: truth.line.insulationMegohms ?? null,
    earthVolts: truth.line.shieldEarthVolts ?? null,
    inducedVolts: truth.line.inducedAcVolts ?? null,
    powerOhms: truth.line.powerExtraOhms ?? null,
    nightVolts: truth.nightSupplyVolts ?? null,
    sees: truth.sees,
    lesson: drill.lesson,
  };
  return same(writtenDrill(form, drill.id), drill) ? form : null;
}
