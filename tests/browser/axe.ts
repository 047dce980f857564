import axe from 'axe-core';
import type { Page } from '@playwright/test';

/** What stands in the way of somebody who uses a screen reader or keys alone, within a part of a page; nothing where all is well. */
export async function barriers(page: Page, within: string): Promise<string[]> {
  // The page lets no foreign script in; what the browser itself is asked to evaluate is not the page's.
  await page.evaluate(axe.source);
  const found = await page.evaluate(async (selector) => {
    const { axe: runner } = window as unknown as {
      axe: {
        run: (context: string) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
      };
    };
    return (await runner.run(selector)).violations;
  }, within);
  return found.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 160)}`);
}
