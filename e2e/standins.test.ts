import { expect, test } from 'vitest';
import { serveForeignPage, watchPage, type Report } from './driver.ts';

/** What the players of the sample world observably do; the product's own claims are checked against them. */ import { useServerAndBrowser } from './world.ts';

const world = useServerAndBrowser();

const { host } = world;
const reel = (path: string): string => `${host('frames.lanternreel')}/f/${path}`;

async function framed(address: string) {
  const foreign = await serveForeignPage(
    `<iframe src="${address.replaceAll('&', '&amp;')}" width="560" height="315" title="player"></iframe>`,
  );
  const watch = await watchPage(world.browser, foreign.address);
  const frame = watch.page.frames().find((f) => f !== watch.page.mainFrame())!;
  return { ...watch, frame, close: async () => (await watch.close(), foreign.stop()) };
}
const hidden = (part: string) => `document.querySelector('[data-part="${part}"]').hidden`;

test('a clip begins again only when the address names it as its own playlist', async () => {
  const again = await framed(reel('f3rryday?auto=1&hush=1&from=3&until=5&again=1&run=f3rryday'));
  await again.until((r) => r.reel === 'again');
  const times = (): number[] => again.reports.filter((r) => r.reel === 'tick').map((r) => Number(r.at));
  await again.until((r) => r.reel === 'rolling' && again.reports.indexOf(r) > again.reports.findIndex((o) => o.reel === 'again'));
  expect(Math.max(...times())).toBeLessThan(6);
  await again.close();
  const alone = await framed(reel('f3rryday?auto=1&hush=1&from=3&until=5&again=1'));
  await alone.until((r) => r.reel === 'over');
  expect(alone.reports.some((r) => r.reel === 'again')).toBe(false);
  await alone.close();
});

test('a playlist goes on with the next reel', async () => {
  const run = await framed(reel('r-mill24?auto=1&hush=1'));
  await run.until((r) => r.reel === 'rolling' && r.name === 'Opening the sluice at spring tide');
  await run.page.evaluate(() => document.querySelector('iframe')!.contentWindow!.postMessage({ reelDo: 'to', at: 203 }, '*'));
  await run.until((r) => r.reel === 'rolling' && r.name === 'Barley from field to sack');
  await run.close();
});

test('a live picture has no length, and no end', async () => {
  const live = await framed(reel('sluice-camera?auto=1&hush=1'));
  expect(await live.until((r) => r.reel === 'rolling')).toMatchObject({ length: null, hushed: true });
  await live.close();
});

test('bars=0 hides the controls, and their absence shows them', async () => {
  const [bare, usual] = await Promise.all([framed(reel('k7wq2m9d?bars=0')), framed(reel('k7wq2m9d'))]);
  await Promise.all([bare.until((r) => r.reel === 'ready'), usual.until((r) => r.reel === 'ready')]);
  expect(await bare.frame.evaluate(hidden('bars'))).toBe(true);
  expect(await usual.frame.evaluate(hidden('bars'))).toBe(false);
  await Promise.all([bare.close(), usual.close()]);
});

test('captions show in a language that the reel has, and not in another', async () => {
  const [dutch, other] = await Promise.all([
    framed(reel('k7wq2m9d?cc=nl&auto=1&hush=1')),
    framed(reel('k7wq2m9d?cc=fi&auto=1&hush=1')),
  ]);
  expect(await dutch.until((r) => r.reel === 'captions')).toMatchObject({ language: 'nl' });
  await other.until((r) => r.reel === 'tick');
  expect(other.reports.some((r) => r.reel === 'captions')).toBe(false);
  await Promise.all([dutch.close(), other.close()]);
});

test('a recording that is to start by itself is held back by the browser', async () => {
  const src = encodeURIComponent(`${host('murmurfold')}/estuary-ferry/bell-in-fog`);
  const sound = await framed(`${host('frame.murmurfold')}/player?src=${src}&auto=true`);
  await sound.until((r) => r.refused === true);
  expect(sound.reports.some((r) => (r.murmur as Report | undefined)?.now === 'sounding')).toBe(false);
  await sound.close();
});

test('a collection lists its tracks, and names can be hidden', async () => {
  const src = encodeURIComponent(`${host('murmurfold')}/quillmarsh-mill/sets/sounds-of-the-mill`);
  const set = await framed(`${host('frame.murmurfold')}/player?src=${src}&names=false`);
  await set.until((r) => 'murmur' in r);
  expect(await set.frame.$$eval('[data-part="tracks"] li', (rows) => rows.map((row) => row.textContent))).toEqual([
    'The mill at night',
    'Millstones turning',
    'Rain on the loft',
  ]);
  expect(await set.frame.evaluate(hidden('names'))).toBe(true);
  await set.close();
});

test('a document that is not released stays blank in a frame', async () => {
  const folio = await framed(`${host('foliobarn')}/d/pln-2c8v6b/released?frame=yes`);
  await new Promise((done) => setTimeout(done, 800));
  expect(folio.reports).toEqual([]);
  await folio.close();
});
