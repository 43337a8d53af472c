import { expect, test } from 'vitest';
import { makeBook } from '../known/hosts/book.ts';
import { learn } from './learn.ts';
import { playerOf } from './pagePlayer.ts';

const frame = (src: string): string => `<iframe src="${src}"></iframe>`;
const { card } = learn(
  ['aa11bb', 'cc22dd'].map((id) => ({
    link: `https://quill.example/see/${id}`,
    code: frame(`https://play.quill.example/${id}`),
  })),
  { today: '2026-11-29', name: 'Quill' },
);
const book = makeBook([card!]);
const asking = { canonical: 'https://quill.example/see/x', asks: 'Quill' };
const unknown = { canonical: 'https://www.ember.example/film/1' };

test.each([
  ['the host’s own player, where its card has the page asked', 'https://play.quill.example/zz99', asking, null],
  ['another one there', frame('https://play.other.example/zz99'), asking, 'play.other.example'],
  ['one of the page’s own domain', 'https://play.ember.example/1', unknown, null],
  ['one of a host that is known', frame('https://play.quill.example/aa11bb'), unknown, null],
  ['one of nobody’s', frame('https://play.stranger.example/1'), unknown, 'play.stranger.example'],
])('%s', (_, text, page, elsewhere) => expect(playerOf(text, page, book)).toMatchObject({ elsewhere }));

test.each(['', 'javascript:alert(1)', '<p>Nothing</p>'])('nothing is made of “%s”', (text) =>
  expect(playerOf(text, unknown, book)).toBeNull(),
);
