import { describe, expect, test } from 'vitest';
import { bringIn } from '../../pipeline.ts';
import { book } from '../../../laws/world.ts';
import { anatomy } from './anatomy.ts';

const SCRIPT = '<script async src="http://albumfen.localhost:4600/fen.js"></script>';
const album = (more = '', href = 'by/saltings-bakehouse/album/204118'): string =>
  `<a data-fen-album="204118" href="http://albumfen.localhost:4600/${href}"${more}><img src="x.webp" alt="Bread"></a>\n${SCRIPT}`;

describe('script code', () => {
  test('is understood as a whole: which item, which settings, what is kept', () => {
    const { item, candidate } = bringIn(
      `<p>before</p>${album(' data-fen-head="0" data-fen-size="1080" data-own="1"')}<p>after</p>`,
      book,
    )[0]!;
    expect(item).toMatchObject({
      host: 'albumfen',
      form: 'script',
      scope: 'collection',
      id: '204118',
      frame: null,
      settings: { header: 'off', sizeStep: '1080', title: 'Bread' },
      kept: { attributes: [{ name: 'data-own', value: '1' }] },
    });
    expect(candidate.range[0]).toBe('<p>before</p>'.length);
  });

  test('of a photo in the album is that photo', () => {
    expect(bringIn(album('', 'by/saltings-bakehouse/5550123/in/album-204118'), book)[0]!.item).toMatchObject({
      scope: 'item',
      id: '5550123',
    });
  });

  test.each([
    ['whose identifier is of another shape', album().replace('data-fen-album="204118"', 'data-fen-album="20"')],
    [
      'whose link is that of another host',
      album('', 'x').replace('albumfen.localhost:4600/x', 'plumbline.localhost:4600/4410207'),
    ],
    ['of a script that nobody knows', album().replace('fen.js', 'other.js')],
  ])('%s is refused', (_, text) => {
    expect(bringIn(text, book)[0]!.refusal?.code).toBe('scriptUnknown');
  });

  test('is loaded in whichever scheme', () => {
    expect(bringIn(album().replace('src="http:', 'src="'), book)[0]!.item?.id).toBe('204118');
  });

  test('is taken apart: every attribute has its meaning', () => {
    const text = album(' data-fen-head="0" data-own="1"');
    const roles = anatomy(text, bringIn(text, book)[0]!, book).map(
      ({ range, meaning }) => `${text.slice(...range).split('=')[0]} ${meaning.role}`,
    );
    expect(roles).toEqual([
      'data-fen-album identity',
      'href identity',
      'data-fen-head setting',
      'data-own unknown',
      'alt setting',
      'http://albumfen.localhost:4600/fen.js host',
    ]);
  });
});

test('a short code is that of its card', () => {
  expect(bringIn('[GATHERFOLD book="AN1126" cues="1" glow="2"]', book)[0]!.item).toMatchObject({
    host: 'gatherfold',
    form: 'shortcode',
    settings: { cues: 'on' },
    kept: { attributes: [{ name: 'glow', value: '2' }] },
  });
});

test('captures of one segment, and settings in a path, are told apart', () => {
  const text = 'http://waymoss.localhost:4600/at/48.2312,-31.4421,15z';
  const found = bringIn(text, book)[0]!;
  expect(found.item).toMatchObject({ captures: { lat: '48.2312', lon: '-31.4421' }, settings: { zoom: 15 } });
  expect(anatomy(text, found, book).map(({ range, meaning }) => `${text.slice(...range)} ${meaning.role}`)).toEqual([
    'http://waymoss.localhost:4600 host',
    '/at/ form',
    '48.2312 identity',
    '-31.4421 identity',
    '15 setting',
  ]);
});
