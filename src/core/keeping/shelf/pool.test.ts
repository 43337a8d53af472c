import { expect, test } from 'vitest';
import { ANYTHING, soughtIn, type Sought } from './pool.ts';
import type { SavedEmbed } from './saved.ts';

const embed = (title: string, more: Partial<SavedEmbed>): SavedEmbed =>
  ({
    title,
    host: 'lanternreel',
    item: title,
    kind: 'video',
    tags: [],
    facts: {},
    changed: 0,
    work: { site: 'mill' },
    ...more,
  }) as SavedEmbed;
const pool = [
  embed('Opening the sluice', { facts: { duration: 92 }, tags: ['tides'], changed: Date.parse('2026-11-02T08:00:00Z') }),
  embed('Low water', { facts: { duration: 300 }, host: 'earbrook', kind: 'podcast' }),
  embed('A day at the mill', { facts: { duration: 1800 }, work: { site: 'ferry' } as never }),
  embed('Of nobody', { item: '' }),
  embed('Without a length', { tags: ['tides', 'mill'] }),
];
const titles = (sought: Partial<Sought>): string[] => soughtIn(pool, { ...ANYTHING, ...sought }).map(({ title }) => title);

test.each<[Partial<Sought>, string[]]>([
  [{}, ['Opening the sluice', 'Low water', 'A day at the mill', 'Without a length']],
  [{ text: ' THE lantern' }, ['Opening the sluice', 'A day at the mill']],
  [{ kind: 'podcast' }, ['Low water']],
  [{ site: 'ferry' }, ['A day at the mill']],
  [{ tag: 'tides' }, ['Opening the sluice', 'Without a length']],
  [{ length: 'short' }, ['Opening the sluice']],
  [{ length: 'middle' }, ['Low water']],
  [{ length: 'long' }, ['A day at the mill']],
  [{ since: '2026-11-02' }, ['Opening the sluice']],
  [{ since: '2026-11-03' }, []],
  [{ tag: 'tides', length: 'long' }, []],
])('%j finds %j', (sought, found) => expect(titles(sought)).toEqual(found));
