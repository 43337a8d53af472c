import { JSDOM } from 'jsdom';
import { describe, expect, test } from 'vitest';
import { loadCards } from '../../known/hosts/loadCards.ts';
import { makeBook } from '../../known/hosts/book.ts';
import { readCardFiles, readSites, WRITTEN_ORIGIN } from '../../../standins/world.ts';
import { describeOrder, withText } from '../around.ts';
import { newOrder } from '../order.ts';
import { pageOf } from '../page/page.ts';
import { ORDER_FORMS, orderForm } from './list.ts';

const book = makeBook(loadCards(readCardFiles(WRITTEN_ORIGIN)).cards);
const site = readSites(WRITTEN_ORIGIN)[0]!;
const NASTY = '</script></template></title><img src=x onerror=alert(1)>"\'&`${x}\u2028';
const FEED = 'https://pod.example/feed.xml';
const order = newOrder('o', {
  name: NASTY,
  words: NASTY,
  entries: [
    {
      id: '1',
      address: 'https://media.example/a.mp3',
      page: 'https://pod.example/a#old',
      title: NASTY,
      words: NASTY,
      author: NASTY,
      seconds: 72,
      day: '2026-11-29',
      chapters: [
        { at: 5, title: 'The pond' },
        { at: 30, title: NASTY },
      ],
      transcript: [
        { from: 0, until: 2, text: NASTY, who: NASTY },
        { from: 2, until: 4, text: 'and this wheel does not', who: NASTY },
      ],
    },
    { id: '2', address: 'http://lanternreel.localhost:4600/see/k7wq2m9d', title: 'Opening the sluice', from: 10, until: 20 },
  ],
});
const page = pageOf(order, { book, site });

describe.each(ORDER_FORMS.map((form) => [form.id, form] as const))('as %s', (_, form) => {
  const code = form.write(order, page, 'https://mill.example/talks.html');

  test('nothing of what was brought in becomes markup of the page, and it runs no script unless it says so', () => {
    const { document } = new JSDOM(`<body>${code}<p id="after">after</p>`).window;
    expect(document.querySelectorAll('img, [onerror], link').length).toBe(0);
    expect(document.querySelector('#after')!.parentElement).toBe(document.body);
    expect(document.querySelectorAll('script').length > 0).toBe(form.scripted);
  });

  test('with its text around it stands the same code, then links, what is said, and what search engines read', () => {
    const whole = withText(code, order, { book, site });
    expect(whole.startsWith(code)).toBe(true);
    const { document } = new JSDOM(`<body>${whole}`).window;
    expect(document.querySelectorAll('img, [onerror]').length).toBe(0);
    const around = document.querySelector('body > details')!;
    expect([...around.querySelectorAll('a')].map((link) => link.getAttribute('href'))).toEqual([
      'https://pod.example/a#old',
      order.entries[1]!.address,
    ]);
    expect(around.textContent).toContain('and this wheel does not');
    const data = JSON.parse(document.querySelector('[type="application/ld+json"]')!.textContent) as object;
    expect(data).toEqual(JSON.parse(JSON.stringify(describeOrder(order, { book, site }))));
  });
});

test('a frame with the page in it holds the page as it is; a file only its address', () => {
  const { document } = new JSDOM(orderForm('whole').write(order, page, '')).window;
  expect(document.querySelector('iframe')!.srcdoc).toBe(page.html);
  expect(orderForm('file').write(order, page, 'https://a.example/?x=1&y="')).toContain(
    'src="https://a.example/?x=1&amp;y=&quot;"',
  );
});

describe('structured data', () => {
  test('is a list with clips and what is said; an address of each chapter by its moment', () => {
    expect(describeOrder(order, { book, site })).toMatchObject({
      '@type': 'ItemList',
      numberOfItems: 2,
      itemListElement: [
        {
          position: 1,
          item: {
            '@type': 'AudioObject',
            contentUrl: 'https://media.example/a.mp3',
            duration: 'PT1M12S',
            uploadDate: '2026-11-29',
            transcript: `${NASTY} and this wheel does not`,
            hasPart: [
              { '@type': 'Clip', name: 'The pond', startOffset: 5, endOffset: 30, url: 'https://pod.example/a#t=5' },
              { startOffset: 30, endOffset: 72 },
            ],
          },
        },
        { position: 2, item: { '@type': 'VideoObject', startOffset: 10, endOffset: 20 } },
      ],
    });
  });

  test('is a podcast where it comes of a feed, and says nothing that is not known', () => {
    const podcast = describeOrder({ ...order, feed: FEED }, { book, site });
    expect(podcast).toMatchObject({
      '@type': 'PodcastSeries',
      webFeed: FEED,
      hasPart: [{ '@type': 'PodcastEpisode', datePublished: '2026-11-29' }, { position: 2 }],
    });
    expect(JSON.stringify(podcast)).not.toMatch(/:(?:null|""|\[\])/);
  });
});
