import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { lpText, type Programme } from '#core/solver';

export interface ByGlpk {
  cost: number | null;
  isProven: boolean;
  millis: number;
}

/** Debian's glpk on the same LP file. */
export function glpk(programme: Programme, secondsMost: number): ByGlpk {
  const folder = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const [model, answer] = [path.join(folder, 'plan.lp'), path.join(folder, 'answer.txt')];
  writeFileSync(model, lpText(programme));
  const start = performance.now();
  execFileSync('glpsol', ['--lp', model, '-o', answer, '--cuts', '--tmlim', String(secondsMost)], {
    stdio: 'ignore',
  });
  const millis = performance.now() - start;
  const said = readFileSync(answer, 'utf8');
  rmSync(folder, { recursive: true });
  const cost = /Objective:\s+\w+\s+=\s+([-\d.e+]+)/.exec(said)?.[1];
  return {
    millis,
    isProven: /INTEGER OPTIMAL/.test(said),
    cost: cost === undefined || /UNDEFINED/.test(said) ? null : Number(cost),
  };
}
