import { describe, expect, test } from 'vitest';
import { readItems, WRITTEN_ORIGIN } from '../../../standins/world.ts';
import { bringIn } from '../../pipeline.ts';
import { book } from '../../../laws/world.ts';
import { anatomy } from './anatomy.ts';

const items = readItems(WRITTEN_ORIGIN);

describe('the sample world', () => {
  test('has eighty items, with every link in every form recognised as its item', () => {
    expect(items.length).toBe(80);
    for (const item of items)
      for (const link of item.links) {
        const { item: found, refusal } = bringIn(link, book)[0]!;
        if (link.endsWith('/edit')) expect(refusal?.code).toBe('notForVisitors');
        else {
          expect(found, link).toMatchObject({ host: item.host, kind: item.kind, scope: item.scope });
          expect(found!.id === item.id || item.links.includes(found!.canonical), link).toBe(true);
        }
      }
  });
});

describe('an address', () => {
  test('with tracking, doubles and unknown parameters is sorted out', () => {
    const { item } = bringIn('http://frames.lanternreel.localhost:4600/f/k7wq2m9d?from=12&from=9&ref=x&glow=1&hush=2', book)[0]!;
    expect(item!.settings).toEqual({ start: 12 });
    expect(item!.dropped.map((d) => [d.raw, d.why])).toEqual([
      ['from=9', 'duplicate'],
      ['ref=x', 'tracking'],
    ]);
    // `hush=2` spells nothing that the host knows, so it is kept, and told.
    expect(item!.unknown.map((u) => u.raw)).toEqual(['glow=1', 'hush=2']);
  });

  test('of the reduced-tracking domain asks for it', () => {
    const { item } = bringIn('http://quiet.lanternreel.localhost:4600/f/k7wq2m9d', book)[0]!;
    expect(item).toMatchObject({
      settings: { tracking: 'reduced' },
      frame: 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d',
    });
  });

  test('of an unknown host is an item of no host, with its parameters kept', () => {
    const { item } = bringIn('https://media.example/show?x=1#y', book)[0]!;
    expect(item).toMatchObject({ host: null, kind: 'page', frame: 'https://media.example/show' });
    expect(item!.unknown.map((u) => [u.in, u.raw])).toEqual([
      ['query', 'x=1'],
      ['fragment', 'y'],
    ]);
  });
});

describe('an iframe code', () => {
  test('says how it stands in the page; what is not ours is kept', () => {
    const code = `<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1" width="640" height="360" title="T" frameborder="0" loading="lazy"
      allow="autoplay; camera" style="margin-top:8px;opacity:.9" data-id="7" constructor="x"></iframe>`;
    const { item } = bringIn(code, book)[0]!;
    expect(item!.settings).toEqual({
      autoplay: 'on',
      width: 640,
      widthMode: 'fixed',
      height: 360,
      title: 'T',
      load: 'near',
      spaceAbove: 8,
      // The permission to start comes and goes with the setting.
      permissions: 'camera',
    });
    expect(item!.kept).toEqual({
      attributes: [
        { name: 'data-id', value: '7' },
        { name: 'constructor', value: 'x' },
      ],
      style: ['opacity:.9'],
    });
  });
});

describe('the anatomy', () => {
  const taken = (text: string): string[] => {
    return anatomy(text, bringIn(text, book)[0]!, book).map(({ range, meaning }) => `${text.slice(...range)} ${meaning.role}`);
  };

  test.each([
    [
      'http://lanternreel.localhost:4600/upright/u4wheel0?at=1m12s&ref=x&glow=1',
      [
        'http://lanternreel.localhost:4600 host',
        '/upright/ form',
        'u4wheel0 identity',
        'at=1m12s setting',
        'ref=x dropped',
        'glow=1 unknown',
      ],
    ],
    [
      'foliobarn.localhost:4600/d/vst-4m2k9q/released',
      ['foliobarn.localhost:4600 host', '/d/ form', 'vst-4m2k9q identity', '/released form'],
    ],
    ['http://lanternreel.localhost:4600/see/k7', ['http://lanternreel.localhost:4600 host', '/see/k7 broken']],
    ['https://media.example/a?b=1', ['https://media.example host', '/a form', 'b=1 unknown']],
    [
      '<iframe width="640" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1&amp;hush=1" data-x="1"></iframe>',
      [
        'width="640" setting',
        'http://frames.lanternreel.localhost:4600 host',
        '/f/ form',
        'k7wq2m9d identity',
        'auto=1 setting',
        'hush=1 setting',
        'data-x="1" unknown',
      ],
    ],
    [
      '<iframe src="https://media.example/a" frameborder="0" allow="autoplay; camera" allowfullscreen scrolling="no"></iframe>',
      [
        'https://media.example host',
        '/a form',
        'frameborder="0" usual',
        'allow="autoplay; camera" permission',
        'allowfullscreen permission',
        'scrolling="no" unknown',
      ],
    ],
    ['javascript:alert(1)', ['javascript:alert(1) broken']],
  ])('%s', (text, parts) => expect(taken(text)).toEqual(parts));
});
