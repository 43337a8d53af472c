import type { Request, Response, Router } from 'express';
import mustache from 'mustache';

/** An answer of oEmbed 1.0, section 2.3.4; numbers and texts only. */
export type OEmbedAnswer = Record<string, string | number> & { type: 'video' | 'rich'; title: string; html: string };

/** Seconds for which an answer may be kept. */
const CACHE_AGE = 60;

const XML = `<?xml version="1.0" encoding="utf-8" standalone="yes"?>
<oembed>
{{#fields}}  <{{name}}>{{value}}</{{name}}>
{{/fields}}</oembed>
`;

/** `GET /oembed?url=…&format=json|xml&maxwidth=…`; 404 for what is no item, 401 for what is private. */
export function serveOEmbed(router: Router, find: (url: string, maxWidth: number) => OEmbedAnswer | null): void {
  router.get('/oembed', (request: Request, response: Response) => {
    const { url, format = 'json', maxwidth } = request.query;
    const answer = typeof url === 'string' ? find(url, Number(maxwidth) || 560) : null;
    if (!answer) return void response.status(404).type('text').send('No such item');
    if (format === 'xml') {
      const fields = Object.entries({ version: '1.0', cache_age: CACHE_AGE, ...answer }).map(([name, value]) => ({
        name,
        value,
      }));
      return void response.type('text/xml').send(mustache.render(XML, { fields }));
    }
    if (format !== 'json') return void response.status(501).type('text').send('json or xml');
    response.json({ version: '1.0', cache_age: CACHE_AGE, ...answer });
  });
}
