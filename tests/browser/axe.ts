import axe from 'axe-core';
import type { Page } from '@playwright/test';

/** What stands in the way of somebody who uses a screen reader or keys alone, within a part of a page; nothing where all is well. */
export async function barriers(page: Page, within: string): Promise<string[]> {
  await page.locator(within).first().waitFor({ timeout: 60_000 });
  // The page lets no foreign script in; what the browser itself is asked to evaluate is not the page's.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const found = await page.evaluate(async (selector) => {
    const { axe: runner } = window as unknown as {
      axe: {
        run: (
          context: string,
          options: object,
        ) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>;
      };
    };
    // The size of targets is a rule of WCAG 2.2 AA that is only run where it is asked for. What passes is not described, and
    // style sheets are not fetched and read once more: that is for sound that plays by itself and screens that turn.
    const options = {
      rules: { 'target-size': { enabled: true } },
      resultTypes: ['violations'],
      preload: false,
    };
    return (await runner.run(selector, options)).violations;
  }, within);
  return found.flatMap(({ id, nodes }) =>
    nodes.slice(0, 6).map(({ html }) => `${id}: ${html.slice(0, 160)}`),
  );
}
