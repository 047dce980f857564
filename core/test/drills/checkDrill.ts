import { check, type Checked, type Problem } from '#core/shared/problems';
import { canHave } from '#core/test/diagnosis';
import { lineKind } from '#core/test/findings';
import { drillSchema, type Drill } from './drill';
import { drillRunId, drillSite } from './ground';
import { newPlay, testsAtHand } from './play';

/** What of a truth contradicts the ground that it lies in. */
function contradictions(drill: Drill): Problem[] {
  const { truth, line, power } = drill;
  const kind = lineKind(drillSite(drill).run[drillRunId]!);
  const far = [
    ...(truth.atM === undefined ? [] : [{ path: 'truth.atM', atM: truth.atM }]),
    ...(truth.line.faults ?? []).map(({ atM }, index) => ({ path: `truth.line.faults[${index}].atM`, atM })),
  ].filter(({ atM }) => atM > line.lengthM);
  return [
    ...far.map(({ path, atM }) => ({
      path,
      value: `${atM} m`,
      allowed: `on the line, which is ${line.lengthM} m long`,
    })),
    ...truth.troubles
      .filter((trouble) => !canHave(trouble, kind, power === 'along-run'))
      .map((trouble) => ({
        path: 'truth.troubles',
        value: trouble,
        allowed: 'a trouble that this line, fed so, can have',
      })),
    ...(testsAtHand(newPlay(drill)).length === 0
      ? [
          {
            path: 'toolbox',
            value: drill.toolbox.join(', '),
            allowed: 'at least one test that says anything of this line',
          },
        ]
      : []),
  ];
}

/** A drill that came from outside, or what is wrong with it in words. */
export function checkDrill(input: unknown): Checked<Drill> {
  const read = check(drillSchema, input);
  if (read.kind === 'refused') return read;
  const problems = contradictions(read.value);
  return problems.length > 0 ? { kind: 'refused', problems } : read;
}
