import { strFromU8, unzipSync } from 'fflate';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { expect, test } from 'vitest';
import { STRIPPERS } from '../src/laws/strippers.ts';
import { codeOf, replaceText, useBench, waitForCode, waitForNoCode, waitForNoDialog } from './bench.ts';
import { allowClipboard, find, goTo, press, publish, readClipboard, waitFor, waitForNoText, waitForText } from './driver.ts';
import { useServerAndBrowser } from './world.ts';

/** What eight sites make of the code, and that the form which is offered instead survives there. */
const world = useServerAndBrowser();

const TOLD: Record<string, { says: string; take?: string; then: string }> = {
  'takes out scripts': { says: 'Everything is there, as it was given.', then: '' },
  'knows no newer CSS': {
    says: 'The style aspect-ratio was taken out: its height no longer follows its width.',
    take: 'Use “Responsive, older CSS”',
    then: 'Everything is there, as it was given.',
  },
  'takes out styles': {
    says: 'The attribute style was taken out',
    take: 'Use “Fixed HTML”',
    then: 'No other code type loses less here.',
  },
  'keeps address and size alone': {
    says: 'The attribute title was taken out: screen readers say its address, or nothing.',
    take: 'Use “Fixed HTML”',
    then: 'No other code type loses less here.',
  },
  'takes out frames': {
    says: 'Only its address is left. This site takes frames out, and keeps links.',
    take: 'Use “Link alone”',
    then: 'Everything is there, as it was given.',
  },
  'shows code as text': {
    says: 'The code itself is shown as text',
    take: 'Use “Link alone”',
    then: 'Everything is there, as it was given.',
  },
  'sanitize-html as it comes': {
    says: 'Nothing of the embed is there.',
    take: 'Use “Link alone”',
    then: 'Everything is there, as it was given.',
  },
  'DOMPurify as it comes': {
    says: 'Nothing of the embed is there.',
    take: 'Use “Link alone”',
    then: 'Everything is there, as it was given.',
  },
};

async function checkPublished(page: Page, site: (code: string) => string): Promise<void> {
  const code = await codeOf(page);
  await press(page, 'button', 'Published code');
  const field = await find(page, 'textbox', 'Paste the source of the published page, or of the part with the embed');
  await field.focus();
  await page.keyboard.sendCharacter(`<html><body><h1>A page</h1>${site(code)}</body></html>`);
}

const { anew } = useBench(world);
const withExample = (work: (page: Page) => Promise<void>): Promise<void> =>
  anew(async (page) => {
    await find(page, 'button', 'titled “Opening the sluice at spring tide”');
    await work(page);
  });

const useForm = async (page: Page, form: string): Promise<void> => {
  await page.select('.code-head select', form);
};

test('every stripper is told, and what is offered instead survives it', () =>
  withExample(async (page) => {
    expect(Object.keys(TOLD)).toEqual(Object.keys(STRIPPERS));
    for (const [name, { says, take, then }] of Object.entries(TOLD)) {
      await useForm(page, 'responsive');
      await waitForCode(page, 'aspect-ratio');
      await checkPublished(page, STRIPPERS[name]!);
      await waitForText(page, says);
      if (take) {
        await press(page, 'button', take);
        await waitForNoDialog(page);
        await waitForNoCode(page, 'aspect-ratio');
        const code = await codeOf(page);
        await checkPublished(page, STRIPPERS[name]!);
        await waitForText(page, then);
        // What is left of a fixed frame still is one, of its own size, on a page.
        if (take.includes('Fixed')) {
          const site = await publish(world.browser, STRIPPERS[name]!(code));
          expect(await site.page.$eval('iframe', (frame) => [frame.clientWidth, frame.clientHeight])).toEqual([720, 405]);
          await site.close();
        }
      }
      await press(page, 'button', 'Close');
      await waitForNoDialog(page);
    }
  }));

test('what a site added is not told as a loss that another code type has not', () =>
  withExample(async (page) => {
    await checkPublished(page, (code) => `<iframe ${/src="[^"]*"/.exec(code)![0]} width="100%"></iframe>`);
    await waitForText(page, 'The site added width="100%".');
    await waitForText(
      page,
      'Of “Fixed HTML” the same is taken out, but does less harm there: title, style, allow, allowfullscreen.',
    );
  }));

test('what was learnt is remembered for the site, which then warns before it happens', () =>
  withExample(async (page) => {
    await checkPublished(page, STRIPPERS['knows no newer CSS']!);
    await press(page, 'button', 'Remember it for Quillmarsh Tide Mill');
    await find(page, 'button', 'Remembered for Quillmarsh Tide Mill');
    await press(page, 'button', 'Close');
    await waitForText(page, 'The editor of Quillmarsh Tide Mill takes this out of the code: aspect-ratio.');
    await press(page, 'button', 'Take a code type that does without');
    await waitForNoText(page, 'takes this out of the code');
    await goTo(page, `${world.server.address}/sites/mill`);
    const field = await find(page, 'textbox', 'Style properties that it takes out');
    // The site that was shipped stands there until one's own is read from the store.
    await waitFor('what was learnt', () => field.evaluate((input) => (input as HTMLInputElement).value === 'aspect-ratio'));
    await replaceText(page, field, 'none!');
    await waitForText(page, 'a name is small letters, digits and -');
  }));

test('several forms are taken at once, copied together or saved as files', () =>
  withExample(async (page) => {
    const folder = mkdtempSync(join(tmpdir(), 'forms-'));
    const devtools = await page.createCDPSession();
    await devtools.send('Page.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    const responsive = await codeOf(page);
    await press(page, 'button', 'Several types');
    for (const form of ['Responsive HTML', 'Markdown', 'Link alone']) await press(page, 'checkbox', form);
    await allowClipboard(page);
    await press(page, 'button', 'Copy them together');
    await waitForText(page, '3 codes copied');
    const copied = await readClipboard(page);
    expect(copied.split('\n')[0]).toBe('Responsive HTML');
    expect(copied).toContain(`\nMarkdown\n[Opening the sluice at spring tide](`);
    await press(page, 'button', 'Save them as files in a zip');
    const file = join(folder, 'opening-the-sluice-at-spring-tide.zip');
    for (let i = 0; i < 100 && !existsSync(file); i++) await new Promise((done) => setTimeout(done, 100));
    const files = unzipSync(readFileSync(file));
    expect(Object.keys(files)).toEqual([
      'opening-the-sluice-at-spring-tide-responsive.html',
      'opening-the-sluice-at-spring-tide-markdown.md',
      'opening-the-sluice-at-spring-tide-link.txt',
    ]);
    expect(strFromU8(Object.values(files)[0]!)).toBe(responsive);
    rmSync(folder, { recursive: true });
  }));
