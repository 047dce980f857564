import { darkOf } from './darkRules';
import type { NightJob, NightRules } from './nightJob';

/** A rule about views that a job breaks all by itself, by how many it leaves dark; `null` where it breaks none. */
export function ruleBroken(
  job: Pick<NightJob, 'dark' | 'restarts'>,
  { mostDark }: Pick<NightRules, 'mostDark'>,
): { rule: string; dark: number; most: number } | null {
  for (const rule of mostDark) {
    const dark = new Set(darkOf(job, rule)).size;
    if (dark > rule.most) return { rule: rule.name, dark, most: rule.most };
  }
  return null;
}
