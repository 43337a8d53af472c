import request from 'supertest';
import { describe, expect, test } from 'vitest';
import { factsFrom } from './facts.ts';
import { quietServer } from './testing.ts';

const PORT = 4777;
const server = quietServer({ PORT: String(PORT) });
const get = (host: string, path: string) => request(server).get(path).set('Host', `${host}:${PORT}`);

describe('answering by host name', () => {
  test('health', async () => {
    expect((await get('localhost', '/api/health')).body).toEqual({ status: 'ok' });
  });

  test('cards, sites and items follow the port', async () => {
    for (const path of ['/api/hosts', '/api/sites', '/api/demo']) {
      const { text } = await get('localhost', path);
      expect(JSON.parse(text)).not.toHaveLength(0);
      expect(text).not.toContain(':4600');
    }
  });

  test('one origin for what the browser keeps', async () => {
    expect((await get('127.0.0.1', '/bench/x')).headers.location).toBe(`http://localhost:${PORT}/bench/x`);
  });

  test('a name that nobody has', async () => {
    expect((await get('nobody.localhost', '/')).status).toBe(404);
  });
});

describe('safety', () => {
  test('the application runs no script but its own, and frames only the preview', async () => {
    const policy = (await get('localhost', '/')).headers['content-security-policy'];
    expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'/);
    expect(policy).not.toContain('unsafe');
    expect(policy).toContain(`frame-src http://preview.localhost:${PORT}`);
    expect(policy).toContain("frame-ancestors 'none'");
  });

  test('the preview can be framed by the application only', async () => {
    const { headers } = await get('preview.localhost', '/');
    expect(headers['content-security-policy']).toContain(`frame-ancestors http://localhost:${PORT}`);
    expect(headers['content-security-policy']).toContain("script-src 'self'");
  });

  test.each([{}, { url: 'javascript:alert(1)' }, { url: 7 }, { url: 'http://a.b', more: 1 }])(
    'resolve refuses %j',
    async (body) => {
      const answer = await request(server).post('/api/resolve').set('Host', `localhost:${PORT}`).send(body);
      expect(answer.status).toBe(400);
    },
  );

  test.each([
    [400, { url: 'file:///etc/hosts' }],
    [400, { url: 'http://a.b/c.webp', more: 1 }],
    [502, { url: 'http://169.254.1.1/c.webp' }],
    [502, { url: `http://localhost:${PORT}/api/health` }],
  ])('a picture is refused with %d: %j', async (status, body) => {
    const answer = await request(server).post('/api/picture').set('Host', `localhost:${PORT}`).send(body);
    expect(answer.status).toBe(status);
    expect(JSON.parse(String(answer.text ?? answer.body))).toHaveProperty('code');
  });

  test('resolve asks nobody but the hosts of the sample world', async () => {
    for (const url of ['http://169.254.1.1/', 'https://media.example/a', `http://localhost:${PORT}/api/health`]) {
      const answer = await request(server).post('/api/resolve').set('Host', `localhost:${PORT}`).send({ url });
      expect(answer.body).toMatchObject({
        facts: {},
        found: null,
        refused: expect.stringMatching(/privateAddress|nameUnknown|port/) as string,
      });
    }
  });
});

describe('the hosts of the sample world', () => {
  test.each([
    ['lanternreel.localhost', '/see/k7wq2m9d', 'x-frame-options', 'DENY'],
    ['murmurfold.localhost', '/quillmarsh-mill/the-mill-at-night', 'content-security-policy', "frame-ancestors 'none'"],
    ['foliobarn.localhost', '/d/vst-4m2k9q/released', 'x-frame-options', 'DENY'],
    ['foliobarn.localhost', '/d/pln-2c8v6b/released?frame=yes', 'x-frame-options', 'DENY'],
    ['foliobarn.localhost', '/d/vst-4m2k9q/edit', 'x-frame-options', 'DENY'],
  ])('%s%s refuses to be framed', async (host, path, header, value) => {
    expect((await get(host, path)).headers[header]).toBe(value);
  });

  test.each([
    ['frames.lanternreel.localhost', '/f/k7wq2m9d'],
    [
      'frame.murmurfold.localhost',
      `/player?src=${encodeURIComponent(`http://murmurfold.localhost:${PORT}/quillmarsh-mill/the-mill-at-night`)}`,
    ],
    ['foliobarn.localhost', '/d/vst-4m2k9q/released?frame=yes'],
  ])('%s%s may be framed', async (host, path) => {
    const { status, headers } = await get(host, path);
    expect(status).toBe(200);
    expect(headers['x-frame-options']).toBeUndefined();
    expect(headers['content-security-policy'] ?? '').not.toContain('frame-ancestors');
  });

  test('only the usual domain leaves a mark on its visitors', async () => {
    expect((await get('frames.lanternreel.localhost', '/f/k7wq2m9d')).headers['set-cookie']).toBeDefined();
    expect((await get('quiet.lanternreel.localhost', '/f/k7wq2m9d')).headers['set-cookie']).toBeUndefined();
  });

  test('a private track needs its key', async () => {
    const src = (path: string): string => `/player?src=${encodeURIComponent(`http://murmurfold.localhost:${PORT}${path}`)}`;
    expect((await get('frame.murmurfold.localhost', src('/quillmarsh-mill/rehearsal-of-the-song'))).status).toBe(404);
    expect((await get('frame.murmurfold.localhost', src('/quillmarsh-mill/rehearsal-of-the-song/q7x2k9'))).status).toBe(200);
  });

  test('oEmbed answers in JSON and XML, and pages announce both', async () => {
    const url = `http://lanternreel.localhost:${PORT}/upright/u4wheel0`;
    const json = await get('lanternreel.localhost', `/oembed?url=${encodeURIComponent(url)}`);
    expect(json.body).toMatchObject({
      version: '1.0',
      type: 'video',
      title: 'The wheel in forty seconds',
      duration: 40,
      width: 315,
      height: 560,
    });
    const xml = await get('lanternreel.localhost', `/oembed?format=xml&url=${encodeURIComponent(url)}`);
    expect(xml.headers['content-type']).toContain('text/xml');
    expect(xml.text).toContain('<title>The wheel in forty seconds</title>');
    const page = await get('lanternreel.localhost', '/upright/u4wheel0');
    expect(page.text).toContain('application/json+oembed');
    expect(page.text).toContain('text/xml+oembed');
  });

  test('media come in ranges, as seeking needs', async () => {
    const answer = await get('frames.lanternreel.localhost', '/media/k7wq2m9d.webm').set('Range', 'bytes=100-199');
    expect([answer.status, answer.headers['content-length']]).toEqual([206, '100']);
  });
});

describe('what goes wrong', () => {
  test.each([
    ['localhost', '/api/nothing', 404],
    ['localhost', '/%E0%A4%A', 400],
    ['localhost', '/assets/%', 400],
    ['lanternreel.localhost', '/see/%E0%A4%A', 400],
    ['preview.localhost', '/assets/%ff', 404],
    ['nobody.localhost', '/', 404],
  ])('at %s%s is told as Problem Details', async (host, path, status) => {
    const answer = await get(host, path);
    expect([answer.status, answer.headers['content-type']]).toEqual([status, 'application/problem+json; charset=utf-8']);
    expect(JSON.parse(answer.text)).toMatchObject({ type: 'about:blank', status, code: expect.any(String) as string });
    expect(answer.text).not.toMatch(/node_modules|\.ts|\bat\b .*:\d+/);
  });

  test('of a question that is no JSON, too', async () => {
    const post = request(server).post('/api/resolve').set('Host', `localhost:${PORT}`).set('Content-Type', 'application/json');
    const answer = await post.send('{"url":');
    expect(answer.status).toBe(400);
    expect(JSON.parse(answer.text)).toMatchObject({ status: 400, code: 'badRequest' });
  });

  test('nothing is guessed from its content, wherever it comes from', async () => {
    for (const [host, path] of [
      ['localhost', '/'],
      ['localhost', '/api/health'],
      ['preview.localhost', '/'],
      ['preview.localhost', '/run'],
      ['lanternreel.localhost', '/see/k7wq2m9d'],
      ['frames.lanternreel.localhost', '/f/k7wq2m9d'],
    ] as const)
      expect((await get(host, path)).headers['x-content-type-options'], host + path).toBe('nosniff');
  });

  test('the preview sends no form and takes no other base', async () => {
    for (const path of ['/', '/run']) {
      const policy = (await get('preview.localhost', path)).headers['content-security-policy'];
      expect(policy).toContain("base-uri 'none'");
      expect(policy).toContain("form-action 'none'");
    }
  });

  test('where the stand-ins alone are asked, addresses in digits are not', async () => {
    for (const url of ['http://93.184.216.34/', 'https://[2606:2800:220:1::1]/', 'https://media.example/']) {
      const answer = await request(server).post('/api/resolve').set('Host', `localhost:${PORT}`).send({ url });
      expect(answer.body, url).toMatchObject({ refused: 'nameUnknown' });
    }
  });
});

describe('facts of an oEmbed answer', () => {
  const card = { endpoint: 'http://a.example/o{?url}', duration: { at: 'duration', unit: 'ms' as const } };
  test('are taken where they fit, and left where they do not', () => {
    expect(
      factsFrom({ title: 'T', type: 'video', width: 480, height: 270, duration: 1500, html: '<script>' }, card),
    ).toMatchObject({
      title: 'T',
      ratio: '16:9',
      duration: 1.5,
    });
    const wrong = factsFrom({ title: 7, thumbnail_url: 'javascript:x', type: 'video', width: '100%', duration: -1 }, card);
    expect(Object.values(wrong).every((value) => value === undefined)).toBe(true);
    expect(factsFrom('text', card)).toEqual({});
  });
});
