import { numbersFrom } from '#core/shared/numeric';
import type { Recorder } from '#core/model/site';
import type { Term } from '#core/solver';
import { limitsOf, type CandidateRecorder } from './candidateRecorders';
import type { CoaxOn } from './onRecorders';
import type { PlanDraft } from './planDraft';
import type { PresetChoice } from './shareRows';

/** Every set of some of these. */
const subsetsOf = <T>(all: readonly T[]): T[][] =>
  all.reduce<T[][]>((sets, one) => [...sets, ...sets.map((set) => [...set, one])], [[]]);

/** Inputs up to one of them that take a picture of one of these formats. */
const takingAny = (formats: readonly string[], last: number, { forced = [] }: Pick<Recorder, 'forced'>) =>
  numbersFrom(1, last).filter((input) => {
    const set = forced.find((one) => one.input === input)?.format;
    return set === undefined || formats.includes(set);
  }).length;

/**
 * Inputs that are set to a format take no other: cameras of any formats together are no more than the inputs that take one of them and
 * are on coax under the preset that is chosen. Source: the condition for a matching, Hall 1935.
 */
export function forcedRows(
  draft: PlanDraft,
  recorder: CandidateRecorder,
  presets: readonly PresetChoice[],
  coax: readonly CoaxOn[],
): void {
  const { slots, key } = recorder;
  if (!slots.forced?.length) return;
  const formats = [...new Set(coax.map(({ format }) => format))];
  for (const some of subsetsOf(formats)) {
    if (some.length === 0) continue;
    const taken = coax
      .filter(({ format }) => some.includes(format))
      .map(({ variable }): Term => ({ variable, by: 1 }));
    const given = presets.map(({ share, variable }) => ({
      variable,
      inputs: takingAny(some, share.coax, slots),
    }));
    const always = given.reduce((sum, { variable, inputs }) => sum + (variable === null ? inputs : 0), 0);
    const chosen = given.flatMap(({ variable, inputs }): Term[] =>
      variable === null ? [] : [{ variable, by: -inputs }],
    );
    draft.row(
      `inputs for ${some.join(', ')} of ${key}`,
      [...taken, ...chosen],
      '<=',
      always,
      limitsOf(recorder),
    );
  }
}
