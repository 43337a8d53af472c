import { XMLParser } from 'fast-xml-parser';
import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { bringIn } from '../core/pipeline.ts';
import { book } from '../laws/world.ts';
import { readPageData } from './pageData.ts';
import { quietServer } from './testing.ts';

const PORT = '4600';
const server = quietServer({ PORT });
const closed = quietServer({ PORT, API_KEYS: 'k1,k2' });
const post = (path: string, body: object, key = '') => {
  const asked = request(key === '' ? server : closed)
    .post(`/api/${path}`)
    .set('Host', `localhost:${PORT}`);
  return (key === '' ? asked : asked.set('Authorization', `Bearer ${key}`)).send(body);
};
const get = (path: string) => request(server).get(path).set('Host', `localhost:${PORT}`);
const LINK = `http://lanternreel.localhost:${PORT}/see/k7wq2m9d?at=12s`;

describe('asked by programs', () => {
  test('read, embed, check and batch answer what the command line answers', async () => {
    expect((await post('read', { text: LINK })).body).toMatchObject([
      { source: 'link', item: { host: 'lanternreel', settings: { start: 12 } } },
    ]);
    const made = (await post('embed', { text: LINK, site: 'mill', settings: { start: '0:42', mute: 'on' }, form: 'fixed' }))
      .body as {
      code: string;
      findings: object[];
    };
    expect(made.code).toMatch(/from=42/);
    expect(bringIn(made.code, book)[0]!.item!.settings).toMatchObject({ start: 42, mute: 'on' });
    const checked = (await post('check', { text: made.code.replace('mute', 'x').replace('hush=1', 'auto=1') })).body as {
      findings: { code: string; sentence: string }[];
    }[];
    expect(checked[0]!.findings.map(({ code }) => code)).toContain('autoplayUnmuted');
    const rows = (await post('batch', { text: `link,title\n${LINK},Sluice\nno link at all,\n`, site: 'mill' })).body as {
      state: string;
      code: string;
    }[];
    expect(rows.map(({ state, code }) => [state, code !== ''])).toEqual([
      ['done', true],
      ['person', false],
    ]);
  });

  test('teach works out a card, and sweep a patch', async () => {
    const code = (id: string) => `<iframe src="https://play.media.example/p/${id}"></iframe>`;
    const examples = ['k1a44', 'z9b55'].map((id) => ({ link: `https://media.example/see/${id}`, code: code(id) }));
    const taught = (await post('teach', { format: 'refenestra-examples/1', name: 'Media', examples })).body as {
      card: { origins: object };
      facts: string[];
    };
    expect(JSON.stringify(taught.card.origins)).toContain('https://play.media.example');
    expect(taught.facts.length).toBeGreaterThan(0);
    const page = `<p>Before</p>\n<iframe src="${LINK.replace('lanternreel.', 'frames.lanternreel.').replace('/see/', '/f/')}"></iframe>\n<p>After</p>\n`;
    const files = [{ name: 'a/page.html', text: `<h2>Sluice</h2>\n${page}` }];
    const swept = (await post('sweep', { files, rules: { version: 1, titles: true } })).body as { patch: string; report: object };
    expect(swept.patch).toMatch(/^--- a\/a\/page\.html\n\+\+\+ b\/a\/page\.html\n[\s\S]*\+<iframe [^\n]*title="Sluice"/);
    expect((await post('sweep', { files: [{ name: 'x.bin', text: '' }] })).status).toBe(422);
  });

  test.each([
    ['embed', { text: '' }, 400, 'text'],
    ['embed', { text: LINK, more: 1 }, 400, 'more'],
    ['embed', { text: LINK, form: 'hologram' }, 400, 'form'],
    ['embed', { text: LINK, settings: { sparkle: 'on' } }, 422, 'sparkle'],
    ['embed', { text: LINK, settings: { start: 'soon' } }, 422, 'soon'],
    ['embed', { text: LINK, site: 'nobody' }, 422, 'There are mill'],
    ['embed', { text: 'javascript:alert(1)' }, 422, 'javascript'],
  ])('%s %j is told', async (path, body, status, words) => {
    const answer = await post(path, body);
    expect(answer.status).toBe(status);
    expect(answer.type).toBe('application/problem+json');
    expect(JSON.stringify(answer.body)).toContain(words);
  });

  test('where there are keys, one of them is wanted', async () => {
    expect((await post('read', { text: LINK }, 'k2')).status).toBe(200);
    const { status, headers } = await post('read', { text: LINK }, 'wrong');
    expect([status, headers['www-authenticate']]).toEqual([401, 'Bearer']);
  });

  test('the description is OpenAPI 3.1, and speaks of every operation', async () => {
    const { body } = (await get('/api/openapi.json')) as {
      body: {
        openapi: string;
        paths: Record<string, { post: { requestBody: { content: Record<string, { schema: { properties: object } }> } } }>;
      };
    };
    expect(body.openapi).toBe('3.1.0');
    for (const path of ['/read', '/embed', '/check', '/batch', '/teach', '/sweep', '/jobs'])
      expect(body.paths[path]!.post.requestBody.content['application/json']!.schema, path).toBeTypeOf('object');
    expect(Object.keys(body.paths)).toContain('/oembed');
  });
});

describe('an oEmbed provider', () => {
  const ask = (query: Record<string, string | number>) => get('/oembed').query(query);

  test('answers for a link with the code of the site, in JSON and in XML', async () => {
    const { body } = (await ask({ url: LINK, site: 'mill' })) as { body: Record<string, unknown> };
    expect(body).toMatchObject({ version: '1.0', type: 'video', provider_name: 'Lanternreel', cache_age: 3600 });
    const [read] = bringIn(String(body.html), book);
    expect(read!.item).toMatchObject({ host: 'lanternreel', id: 'k7wq2m9d', settings: { start: 12 } });
    const { text } = await ask({ url: LINK, site: 'mill', format: 'xml' });
    const xml = new XMLParser({ processEntities: true }).parse(text) as { oembed: Record<string, unknown> };
    expect(xml.oembed.html).toBe(body.html);
    expect(xml.oembed.width).toBe(body.width);
  });

  test('is found from the page that hands a link on', async () => {
    const { text } = await get(`/?take=${encodeURIComponent(LINK)}`);
    const found = readPageData(text).oembed.json!;
    expect(found).toContain(`http://localhost:${PORT}/oembed?`);
    const { pathname, search } = new URL(found);
    expect((await get(pathname + search)).body).toMatchObject({ version: '1.0', type: 'video' });
    expect((await get(`/?take=${encodeURIComponent('"><script>x</script>')}`)).text).not.toContain('<script>x');
  });

  test.each([
    [{ maxwidth: 400 }, 400, 225],
    [{ maxheight: 180 }, 320, 180],
    [{ maxwidth: 300, maxheight: 180 }, 300, 169],
  ])('no larger than %j', async (most, width, height) => {
    const { body } = (await ask({ url: LINK, site: 'mill', ...most })) as { body: object };
    expect(body).toMatchObject({ width, height });
  });

  test.each([
    [{ url: 'https://media.example/x' }, 404],
    [{ url: LINK, format: 'yaml' }, 501],
    [{ url: LINK, site: 'nobody' }, 404],
    [{}, 400],
  ])('%j is told, to pages of others as well', async (query, status) => {
    const answer = await ask(query);
    expect([answer.status, answer.headers['access-control-allow-origin']]).toEqual([status, '*']);
  });
});
