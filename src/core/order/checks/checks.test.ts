import { describe, expect, test } from 'vitest';
import { loadCards } from '../../known/hosts/loadCards.ts';
import { makeBook } from '../../known/hosts/book.ts';
import type { Reached } from '../../proof/reach/reached.ts';
import type { Site } from '../../model/site.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../../standins/world.ts';
import { sayOrderFinding, sayOrderRemedy } from '../../../messages/order.ts';
import { entryOf, newOrder, type Entry, type Order } from '../order.ts';
import { playsOf } from '../plays.ts';
import type { ORDER_CHECKS } from './list.ts';
import { checkOrder, remedied } from './list.ts';

const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const site: Site = { ...readSites(WRITTEN_ORIGIN)[0]!, address: 'https://mill.example/', frames: null, language: 'en' };
const FILM = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const TALK = 'http://spoolnote.localhost:4600/r/tsd401';
const BOOK = 'http://gatherfold.localhost:4600/read/AN1126';
const entry = (id: string, given: Partial<Entry> = {}): Entry =>
  entryOf({
    id,
    address: 'https://media.example/a.mp3',
    title: `Entry ${id}`,
    transcript: [{ from: 0, until: 1, text: 'Hello' }],
    ...given,
  })!;
const good = newOrder('o', { name: 'Talks', entries: [entry('1'), entry('2', { address: FILM })] });

interface Case {
  order?: Partial<Order>;
  site?: Partial<Site>;
  weight?: number;
  reached?: readonly Reached[];
}
function found({ order = {}, site: of = {}, weight = 9000, reached }: Case) {
  const whole = { ...good, ...order };
  const played = whole.entries.map((one) => playsOf(one, { book }, whole.autoplay));
  const answers = new Map(reached ? whole.entries.map(({ address }) => [address, reached]) : []);
  return { whole, findings: checkOrder({ order: whole, site: { ...site, ...of }, played, weight, reached: answers }) };
}

/** For each check what it finds something in, and the entries that it names. */
const CASES: Record<(typeof ORDER_CHECKS)[number]['id'], [of: Case, entries: number[]]> = {
  nothingToPlay: [{ order: { entries: [] } }, []],
  notPlayable: [{ order: { entries: [entry('1', { address: 'https://elsewhere.example/page' })] } }, [0]],
  unreachable: [{ reached: [{ code: 'gone', status: 404 }] }, [0, 1]],
  insecure: [{ order: { entries: [entry('1'), entry('2', { address: 'http://media.example/a.mp3' })] } }, [1]],
  framesBarred: [{ site: { frames: ['https://other.example'] } }, [1]],
  soundAtOnce: [
    { order: { autoplay: true, entries: [entry('1'), entry('2', { address: TALK }), entry('3', { address: BOOK })] } },
    [1],
  ],
  clipBackwards: [{ order: { entries: [entry('1', { from: 9, until: 3 })] } }, [0]],
  clipBeyondEnd: [{ order: { entries: [entry('1', { from: 90, seconds: 72 })] } }, [0]],
  clipNotKept: [{ order: { entries: [entry('1', { address: BOOK, from: 5 })] } }, [0]],
  waitsForVisitor: [{ order: { entries: [entry('1', { address: BOOK })] } }, [0]],
  transcriptMissing: [{ order: { entries: [entry('1', { transcript: [] })] } }, [0]],
  titleless: [{ order: { entries: [entry('1', { title: '' })] } }, [0]],
  nameless: [{ order: { name: ' ' } }, []],
  standsTwice: [{ order: { entries: [entry('1'), entry('2'), entry('3', { from: 1 })] } }, [1]],
  accentUnseen: [{ order: { accent: '#fefefe' } }, []],
  heavy: [{ weight: 900_000 }, []],
  wordsMissing: [{ site: { language: 'sv' } }, []],
};

test('a running order in which all is well passes every check', () => expect(found({}).findings).toEqual([]));

describe.each(Object.entries(CASES))('%s', (id, [of, entries]) => {
  test('is found where it is so, told in words, and gone after one press where there is a press', () => {
    const { whole, findings } = found(of);
    const finding = findings.find(({ code }) => code === id)!;
    expect(finding, JSON.stringify(findings)).toBeDefined();
    expect(finding.entries).toEqual(entries);
    const words = sayOrderFinding(finding, whole);
    expect(words).toMatch(/\.$/);
    expect(words).not.toMatch(/undefined|“”|\bone\(/);
    expect(finding.remedy === undefined).toBe(sayOrderRemedy(finding) === null);
    if (finding.remedy) {
      const after = found({ ...of, order: remedied(whole, finding) });
      expect(after.findings.map(({ code }) => code)).not.toContain(id);
    }
  });
});

test('the gravest is told first', () => {
  const order = { ...ORDERED };
  const severities = found({ order }).findings.map(({ severity }) => severity);
  expect(severities).toEqual([...severities].sort((a, b) => RANK.indexOf(a) - RANK.indexOf(b)));
  expect(new Set(severities).size).toBe(3);
});
const RANK = ['error', 'warning', 'note'];
const ORDERED: Partial<Order> = { name: '', entries: [entry('1', { from: 9, until: 3, title: '' })] };
