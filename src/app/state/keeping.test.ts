import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { loadCards } from '../../core/hosts/loadCards.ts';
import { readCardFiles, readSites, WRITTEN_PORT } from '../../standins/world.ts';
import { findEmbed, listEmbeds, removeEmbed, restoreEmbed, saveEmbed } from '../storage/database.ts';
import { startAutosave } from './autosave.ts';
import { broughtIn, changed, emptyWork, opened } from './bench.ts';
import { selectEmbed, selectFound, selectPreviewCode, selectRecognised } from './selectors.ts';
import { makeStore, type Store } from './store.ts';
import { settingsWith, workSchema } from './work.ts';
import { loadFacts, loadWorld } from './world.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const NOTHING_MORE = { found: null, refused: null };
const ASKED = { link: LINK, about: LINK, width: undefined };

function storeWithWorld(): Store {
  const store = makeStore();
  const world = { cards: loadCards(readCardFiles(WRITTEN_PORT)).cards, sites: readSites(WRITTEN_PORT), example: LINK };
  store.dispatch(loadWorld.fulfilled(world, 'request', undefined));
  return store;
}

beforeEach(async () => {
  for (const { id } of await listEmbeds()) await removeEmbed(id);
});

describe('what is kept', () => {
  const embed = { id: 'one', work: { ...emptyWork('mill', 'one'), text: LINK }, title: 'T', host: 'lanternreel', kind: 'video' };

  test('comes back as it was, with the time of its making', async () => {
    await saveEmbed(embed, 1000);
    await saveEmbed({ ...embed, title: 'U' }, 2000);
    expect(await findEmbed('one')).toEqual({ ...embed, title: 'U', made: 1000, changed: 2000 });
  });

  test('is listed by last change, and can be removed and put back', async () => {
    await saveEmbed(embed, 1000);
    await saveEmbed({ ...embed, id: 'two' }, 2000);
    expect((await listEmbeds()).map((e) => e.id)).toEqual(['two', 'one']);
    const [two] = await listEmbeds();
    await removeEmbed('two');
    expect(await findEmbed('two')).toBeUndefined();
    await restoreEmbed(two!);
    expect(await findEmbed('two')).toEqual(two);
  });

  test('is checked when it comes back: settings and forms that are none are left', () => {
    const read = workSchema.parse({ ...embed.work, changes: { start: 5, sparkle: 'on' }, form: 'hologram' });
    expect(read).toMatchObject({ changes: { start: 5 }, form: 'responsive' });
    expect(workSchema.safeParse({ ...embed.work, changes: { start: {} } }).success).toBe(false);
  });
});

describe('saving by itself', () => {
  test('keeps the last of many changes, and leaves an untouched example; the title follows', async () => {
    const store = storeWithWorld();
    startAutosave(store);
    store.dispatch(opened({ ...emptyWork('', 'example'), text: LINK }));
    await new Promise((done) => setTimeout(done, 250));
    expect(await listEmbeds()).toEqual([]);
    for (let start = 1; start <= 31; start++) store.dispatch(changed({ change: { start } }));
    await vi.waitFor(async () => expect((await findEmbed('example'))?.work.changes).toEqual({ start: 31 }));
    store.dispatch(loadFacts.fulfilled({ ...NOTHING_MORE, facts: { title: 'Sluice' } }, 'request', ASKED));
    await vi.waitFor(async () => expect((await findEmbed('example'))?.title).toBe('Sluice'));
  });
});

describe('what the screen is computed from', () => {
  test('the embed of what was brought in, with its own title laid in', () => {
    const store = storeWithWorld();
    store.dispatch(broughtIn(`${LINK}?at=9s`));
    expect(selectEmbed(store.getState())!.findings.map((f) => f.code)).toEqual(['titleMissing']);
    store.dispatch(loadFacts.fulfilled({ ...NOTHING_MORE, facts: { title: 'Sluice', ratio: '4:3' } }, 'request', ASKED));
    const embed = selectEmbed(store.getState())!;
    expect(embed.settings).toEqual({ title: 'Sluice', start: 9 });
    expect(embed.code.text).toContain('aspect-ratio:4/3');
    expect(embed.findings).toEqual([]);
  });

  test('a setting taken back is not sent, though the link asks for it', () => {
    expect(settingsWith({ start: 9 }, { start: null }, { title: 'T' })).toEqual({ title: 'T' });
    expect(settingsWith({ title: 'own' }, {}, { title: 'T' })).toEqual({ title: 'own' });
  });

  test('of several candidates the first usable one, or the one chosen', () => {
    const store = storeWithWorld();
    store.dispatch(broughtIn(`javascript:x and ${LINK} and http://lanternreel.localhost:4600/see/f3rryday`));
    expect(selectFound(store.getState())).toHaveLength(3);
    expect(selectRecognised(store.getState()).item?.id).toBe('k7wq2m9d');
  });

  test('the preview shows a frame, whatever form is taken', () => {
    const store = storeWithWorld();
    store.dispatch(opened({ ...emptyWork('mill'), text: LINK, form: 'link' }));
    expect(selectEmbed(store.getState())!.code.text).toBe(LINK);
    expect(selectPreviewCode(store.getState())).toContain('<iframe');
  });
});
