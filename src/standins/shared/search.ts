import type { Response, Router } from 'express';
import mustache from 'mustache';
import { addressOf, type StandInWorld } from '../standIn.ts';
import type { DemoItem } from '../world.ts';
import { fileName } from './media.ts';

/** In what a stand-in answers when it is searched. */
export type SearchedAs = 'rss' | 'atom' | 'suggestions';

interface Searched {
  id: string;
  name: string;
  pathOf: (item: DemoItem) => string;
}

const TYPES: Record<SearchedAs, string> = {
  rss: 'application/rss+xml',
  atom: 'application/atom+xml',
  suggestions: 'application/x-suggestions+json',
};

/** OpenSearch 1.1. */
const DESCRIPTION = `<?xml version="1.0" encoding="UTF-8"?>
<OpenSearchDescription><ShortName>{{name}}</ShortName><Description>What there is at {{name}}</Description>
<Url type="{{type}}" template="{{{here}}}/find?for={searchTerms}&amp;most={count?}"/></OpenSearchDescription>
`;
const RSS = `<?xml version="1.0" encoding="UTF-8"?>
<rss version="2.0" xmlns:media="urn:media"><channel><title>{{name}}: {{words}}</title>
{{#found}}<item><title>{{title}}</title><link>{{link}}</link><media:thumbnail url="{{cover}}"/>{{#duration}}<media:content duration="{{duration}}"/>{{/duration}}</item>
{{/found}}</channel></rss>
`;
const ATOM = `<?xml version="1.0" encoding="UTF-8"?>
<feed xmlns="http://www.w3.org/2005/Atom" xmlns:media="urn:media"><title>{{name}}: {{words}}</title>
{{#found}}<entry><title>{{title}}</title><link href="{{link}}"/><media:thumbnail url="{{cover}}"/>{{#duration}}<media:content duration="{{duration}}"/>{{/duration}}{{#day}}<published>{{day}}T06:00:00Z</published>{{/day}}</entry>
{{/found}}</feed>
`;

/** `GET /search.xml` and `GET /find?for=…`: items whose title or maker has all of the words. */
export function serveSearch(router: Router, { id, name, pathOf }: Searched, world: StandInWorld, as: SearchedAs): void {
  const here = addressOf(id, world.origin);
  router.get('/search.xml', (_, response) => {
    response.type('application/opensearchdescription+xml').send(mustache.render(DESCRIPTION, { name, here, type: TYPES[as] }));
  });
  router.get('/find', ({ query }, response: Response) => {
    const words = typeof query.for === 'string' ? query.for : '';
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const found = world.items
      .filter(({ title, author }) => wanted.every((word) => `${title} ${author}`.toLowerCase().includes(word)))
      .slice(0, 20)
      .map((item) => ({
        title: item.title,
        link: here + pathOf(item),
        cover: `${here}/covers/${fileName(item)}.webp`,
        duration: item.duration,
        day: item.notBefore,
      }));
    if (as === 'suggestions')
      return void response
        .type(TYPES.suggestions)
        .send(JSON.stringify([words, found.map(({ title }) => title), found.map(() => ''), found.map(({ link }) => link)]));
    response.type(TYPES[as]).send(mustache.render(as === 'rss' ? RSS : ATOM, { name, words, found }));
  });
}
