import { describe, expect, test } from 'vitest';
import { bringIn, makeEmbed } from '../../pipeline.ts';
import type { Settings } from '../../known/settings/list.ts';
import { book } from '../../../laws/world.ts';

const FILM = 'http://frames.lanternreel.localhost:4600/f/k7wq2m9d';
const SOUND =
  'http://frame.murmurfold.localhost:4600/player?src=http%3A%2F%2Fmurmurfold.localhost%3A4600%2Fquillmarsh-mill%2Fthe-mill-at-night';
const NOBODY = 'https://media.example/a';

const read = (src: string, attributes: string): Settings => {
  const { permissions, fullscreen, pictureInPicture } = bringIn(`<iframe src="${src}" ${attributes}></iframe>`, book)[0]!.item!
    .settings;
  return Object.fromEntries(Object.entries({ permissions, fullscreen, pictureInPicture }).filter(([, value]) => value));
};

describe('what a frame may use', () => {
  test.each([
    ['what the player needs says nothing', FILM, 'allow="fullscreen"', {}],
    ['nor does the attribute of its own', FILM, 'allowfullscreen', {}],
    ['what comes along with a setting comes and goes with it', `${FILM}?auto=1`, 'allow="autoplay"', {}],
    ['but not without that setting', FILM, 'allow="autoplay"', { permissions: 'autoplay' }],
    [
      'what is withheld is a setting',
      FILM,
      `allow="fullscreen 'none'; picture-in-picture 'none'"`,
      { fullscreen: 'off', pictureInPicture: 'off' },
    ],
    ['what is withheld goes before what is given', FILM, `allow="fullscreen 'none'" allowfullscreen`, { fullscreen: 'off' }],
    ['what nobody asks for is given', FILM, 'allow="picture-in-picture"', { pictureInPicture: 'on' }],
    ['so is full screen of an unknown host', NOBODY, 'allowfullscreen', { fullscreen: 'on' }],
    ['where a kind has no such setting it is a permission', SOUND, 'allow="fullscreen"', { permissions: 'fullscreen' }],
    [
      'what is for some origins only is a permission',
      FILM,
      'allow="fullscreen https://media.example"',
      { permissions: 'fullscreen https://media.example' },
    ],
    [
      'the rest is permissions, in order and each once',
      FILM,
      'allow=" microphone ;camera; camera *;; "',
      { permissions: 'camera; microphone' },
    ],
  ] as const)('%s', (_, src, attributes, settings) => expect(read(src, attributes)).toEqual(settings));
});

describe('what is written of it', () => {
  const allow = (link: string, settings: Settings): string | undefined => {
    const { item } = bringIn(link, book)[0]!;
    const { code } = makeEmbed(item!, { ...item!.settings, ...settings }, { book, site: null, form: 'responsive', facts: {} });
    return / (allow=.*)><\/iframe>$/.exec(code.text)?.[1];
  };

  test.each([
    [{}, 'allow="fullscreen" allowfullscreen'],
    [{ fullscreen: 'on' }, 'allow="fullscreen" allowfullscreen'],
    [{ fullscreen: 'off' }, `allow="fullscreen 'none'"`],
    [{ autoplay: 'on', permissions: 'camera' }, 'allow="autoplay; fullscreen; camera" allowfullscreen'],
    [{ permissions: 'fullscreen *' }, 'allow="fullscreen" allowfullscreen'],
  ] as const)('%j', (settings, written) => expect(allow(FILM, settings)).toBe(written));

  test('for a host that nobody knows, only what is asked for', () => {
    expect(allow(NOBODY, {})).toBeUndefined();
    expect(allow(NOBODY, { fullscreen: 'on' })).toBe('allow="fullscreen" allowfullscreen');
  });

  test('full screen that the host gives anyway is said to be so', () => {
    const { item } = bringIn(FILM, book)[0]!;
    const { plan } = makeEmbed(item!, { fullscreen: 'on' }, { book, site: null, form: 'responsive', facts: {} });
    expect(plan.entries).toMatchObject([{ setting: 'fullscreen', state: 'done here', reason: { code: 'alreadySo' } }]);
  });
});
