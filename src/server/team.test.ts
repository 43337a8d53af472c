import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../standins/world.ts';
import { followTeam } from './team.ts';
import { quietServer } from './testing.ts';

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'team-'));
  for (const part of ['cards', 'sites', 'styles', 'providers']) mkdirSync(join(folder, part));
});
afterEach(() => rmSync(folder, { recursive: true }));

const put = (name: string, data: unknown): void =>
  writeFileSync(join(folder, name), typeof data === 'string' ? data : JSON.stringify(data));
const card = JSON.parse(readCardFiles(WRITTEN_ORIGIN).find(({ name }) => name === 'lanternreel.json')!.text) as object;
const site = { ...readSites(WRITTEN_ORIGIN)[0]!, id: 'ferry', name: 'Ferry landing' };
const style = {
  version: 1,
  site: 'ferry',
  rules: [{ kind: 'video', setting: 'load', value: 'near', reason: 'Pages are long.' }],
};
const LINK = `${WRITTEN_ORIGIN.replace('://', '://lanternreel.')}/see/k7wq2m9d`;

describe('what a team keeps', () => {
  test('is read, without what is not right, which is told', () => {
    put('cards/reel.json', card);
    put('cards/broken.json', '{');
    put('sites/ferry.json', site);
    put('sites/none.json', { id: 'none' });
    put('styles/ferry.json', style);
    put('providers/some.json', [
      { provider_name: 'Reeds', provider_url: 'https://reeds.example', endpoints: [{ url: 'https://reeds.example/oembed' }] },
    ]);
    put('sites/notes.txt', 'Not read.');
    const team = followTeam(folder)();
    expect(team.cards.map(({ id }) => id)).toEqual(['lanternreel']);
    expect(team.sites.map(({ id }) => id)).toEqual(['ferry']);
    expect(Object.keys(team.styles)).toEqual(['ferry']);
    expect(team.providers).toHaveLength(1);
    expect(team.problems.join()).toMatch(/broken\.json.*sites\/none\.json/s);
  });

  test('is the same object until a file changes, and another within two seconds', async () => {
    const now = followTeam(folder);
    const before = now();
    put('sites/ferry.json', site);
    expect(now()).toBe(before);
    await expect.poll(() => now().sites.length, { timeout: 5000 }).toBe(1);
  });

  test('a folder that is not there is one without files', () => {
    expect(followTeam(join(folder, 'nowhere'))()).toMatchObject({ cards: [], problems: [] });
  });
});

describe('a service of a team, without the sample world', () => {
  const get = (path: string) =>
    request(quietServer({ DEMO: 'off', TEAM_FOLDER: folder }))
      .get(path)
      .set('Host', 'localhost:4600');

  test('knows what is the team’s and nothing else; its code has the house style', async () => {
    put('cards/reel.json', card);
    put('sites/ferry.json', site);
    put('styles/ferry.json', style);
    expect((await get('/api/hosts')).body).toHaveLength(1);
    expect((await get('/api/demo')).body).toEqual([]);
    expect((await get('/api/team')).body).toMatchObject({ cards: ['lanternreel'], sites: ['ferry'], styles: { ferry: {} } });
    const { html } = (await get(`/oembed?url=${encodeURIComponent(LINK)}&site=ferry`)).body as { html: string };
    expect(html).toContain('loading="lazy"');
    expect((await get(`/oembed?url=${encodeURIComponent(LINK)}`)).body).not.toHaveProperty('html', html);
  });

  test('with an empty folder there is a plain page to make code for', async () => {
    expect((await get('/api/sites')).body).toMatchObject([{ id: 'plain' }]);
    expect((await get('/api/hosts')).body).toEqual([]);
  });
});
