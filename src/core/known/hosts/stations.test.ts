import { describe, expect, test } from 'vitest';
import { bringIn } from '../../pipeline.ts';
import type { Settings } from '../settings/list.ts';
import { book } from '../../../laws/world.ts';
import { foremostOf, stationsOf } from './stations.ts';

const FILM = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
const MAP = 'http://waymoss.localhost:4600/at/51.9,1.2,15z';
const FILE = 'https://media.example/tide.mp4';

const stations = (link: string, settings: Settings = {}) => stationsOf(bringIn(link, book)[0]!.item!, settings, book);

describe('the moments of an item', () => {
  test('have what its host offers, what it does not, and nothing of other kinds', () => {
    const { arrive, begin, during, end } = stations(FILM);
    expect(begin.offered).toEqual(['autoplay', 'mute', 'start', 'captions']);
    expect(arrive['not offered']).toContain('accent');
    expect(during.offered).toContain('fullscreen');
    expect(end.offered).toEqual(['end', 'loop', 'related']);
    expect(Object.values({ ...arrive, ...during }).flat()).not.toContain('zoom');
  });

  test('lay out what is set and what people reach for most, and leave the rest one press away', () => {
    const { begin, during } = stations(FILM);
    expect(foremostOf(begin, new Set())).toEqual({ shown: ['autoplay', 'mute', 'start'], more: ['captions'] });
    expect(foremostOf(begin, new Set(['captions'])).more).toEqual([]);
    expect(foremostOf({ ...during, offered: ['fullscreen', 'pictureInPicture', 'download'] }, new Set())).toEqual({
      shown: ['fullscreen', 'pictureInPicture'],
      more: ['download'],
    });
  });

  test('of a map begin and end with nothing', () => {
    const { arrive, begin, end } = stations(MAP);
    expect(arrive.offered).toContain('zoom');
    expect([begin.offered, end.offered]).toEqual([[], []]);
  });

  test('have a cover only where one is asked for', () => {
    expect(stations(FILM).arrive.offered).not.toContain('cover');
    expect(stations(FILM, { load: 'ask' }).arrive.offered).toEqual(expect.arrayContaining(['cover', 'coverWords', 'consent']));
  });

  test('keep what is asked for, though it cannot be had', () => {
    expect(stations(FILM, { accent: '#2f6f7e' }).arrive.offered).toContain('accent');
  });

  test('of a file of one’s own have what its element does, and nothing of a frame', () => {
    const { begin, during, frame } = stations(FILE);
    expect(begin.offered).toEqual(['autoplay', 'mute', 'start']);
    expect(during['not offered']).toContain('fullscreen');
    expect(frame['not offered']).toEqual(['referrer', 'sandbox', 'permissions']);
  });
});
