import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** Looks at the page as it stands, without the frames in it; gives each violation in a line. */
async function checked(): Promise<string[]> {
  const { axe: checker } = window as unknown as { axe: typeof axe };
  const { violations } = await checker.run({ exclude: ['iframe'] }, { resultTypes: ['violations'] });
  return violations.flatMap((v) => v.nodes.map((node) => `${v.id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`));
}

/** The same as an expression, for whatever browser. */
export const FINDINGS = `(() => { ${axe.source}; return (${checked.toString()})(); })()`;

/** What axe finds on the screen as it stands; the framed page of the preview is not the application's. */
export async function findings(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  return page.evaluate(checked);
}
