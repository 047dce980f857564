import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';

const css = readFileSync(path.join(import.meta.dirname, 'tokens.css'), 'utf8');

function tokensOf(selector: string): Record<string, string> {
  const block = css.slice(css.indexOf(selector)).match(/\{([^}]*)\}/)![1]!;
  return Object.fromEntries(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map(([, name, value]) => [name!, value!]),
  );
}
const light = tokensOf(':root {');
const dark = tokensOf(":root[data-theme='dark']");

/** Relative luminance and contrast as the web content accessibility guidelines define them. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
function contrast(a: string, b: string): number {
  const [brighter, darker] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (brighter! + 0.05) / (darker! + 0.05);
}

const texts = ['ink', 'ink-2', 'ink-3', 'copper', 'verdigris', 'madder', 'ochre'];

describe.each([
  ['light', light],
  ['dark', dark],
])('%s', (_, tokens) => {
  it.each(texts.flatMap((text) => ['paper', 'sheet'].map((ground) => [text, ground])))(
    '%s on %s can be read',
    (text, ground) => {
      expect(contrast(tokens[text!]!, tokens[ground!]!)).toBeGreaterThanOrEqual(4.5);
    },
  );
  it('ink can be read on every tint', () => {
    for (const tint of ['copper-3', 'verdigris-3', 'madder-2', 'ochre-2'])
      expect(contrast(tokens['ink']!, tokens[tint]!)).toBeGreaterThanOrEqual(4.5);
  });
});
it('both themes name the same colours', () =>
  expect(Object.keys(dark).sort()).toEqual(Object.keys(light).sort()));
