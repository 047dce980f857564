import type { Plugin, Rolldown } from 'vite';

/** The files of a circle of imports, the first once more at its end; `null` where there is none. */
export function circleOf(importsOf: ReadonlyMap<string, readonly string[]>): string[] | null {
  const done = new Set<string>();
  const path: string[] = [];
  const follow = (file: string): string[] | null => {
    if (path.includes(file)) return [...path.slice(path.indexOf(file)), file];
    if (done.has(file)) return null;
    path.push(file);
    for (const next of importsOf.get(file) ?? []) {
      const circle = follow(next);
      if (circle) return circle;
    }
    path.pop();
    done.add(file);
    return null;
  };
  for (const file of importsOf.keys()) {
    const circle = follow(file);
    if (circle) return circle;
  }
  return null;
}

/** Ends a build whose files wait for each other: what one of them needs at once would not be there yet. */
export const noCircles: Plugin = {
  name: 'neotrope-no-circles',
  apply: 'build',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter(
      (file): file is Rolldown.OutputChunk => file.type === 'chunk',
    );
    const circle = circleOf(new Map(chunks.map(({ fileName, imports }) => [fileName, imports])));
    if (circle) this.error(`files of the pages wait for each other: ${circle.join(' → ')}`);
  },
};
