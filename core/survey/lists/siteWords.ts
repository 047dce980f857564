import type { Site } from '#core/model/site';

export interface Word {
  value: string;
  label: string;
}

/**
 * Words that a part of a site gives, such as its places. They are made once for each state of that part, since a list of
 * a thousand rows asks for them a thousand times.
 */
export function siteWords<Part extends object>(
  part: (site: Site) => Part,
  make: (part: Part) => Word[],
): (site: Site) => readonly Word[] {
  const known = new WeakMap<Part, readonly Word[]>();
  return (site) => {
    const key = part(site);
    let words = known.get(key);
    if (!words) {
      words = make(key);
      known.set(key, words);
    }
    return words;
  };
}
