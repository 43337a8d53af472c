import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { readSites, WRITTEN_ORIGIN } from '../standins/world.ts';

const LINK = 'http://lanternreel.localhost:4600/see/k7wq2m9d';

const root = join(import.meta.dirname, '../..');

/** As `npm run cli` runs it: built, unless that is done already. */
beforeAll(() => {
  const build = `import('${pathToFileURL(join(root, 'scripts/setup.mjs')).href}').then((setup) => setup.ensureNodeBuild())`;
  spawnSync(process.execPath, ['-e', build], { cwd: root });
}, 120_000);

function cli(args: string[], input = '', env: Record<string, string> = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, 'dist/node/cli.js'), ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, LC_ALL: 'C', ...env },
  });
  return { status, stdout, stderr };
}

test.each([
  [{ LC_ALL: 'de_AT.UTF-8' }, /^autoplay +Autoplay\. Ob es von selbst beginnt/m, /Befehle:[\s\S]*Einbettungscode für einen Link/],
  [
    { LC_ALL: '', LC_MESSAGES: '', LANG: 'fr_FR' },
    /^autoplay +Autoplay\. Whether it starts/m,
    /Commands:[\s\S]*embed code for a link/,
  ],
])('with %j it speaks the language of the system', (env, settings, help) => {
  expect(cli(['settings'], '', env).stdout).toMatch(settings);
  expect(cli(['--help'], '', env).stdout).toMatch(help);
});

test.each([
  [
    ['embed', '--sat', 'x'],
    /^There is no option --sat\. Did you mean --set\?\n$/,
    /^Die Option --sat gibt es nicht\. Meinten Sie --set\?\n$/,
  ],
  [['embed', '--set'], /^--set <name=value> needs a value\.\n$/, /^--set <Name=Wert> braucht einen Wert\.\n$/],
  [['batch'], /^Say which file\.\n$/, /^Es fehlt: Datei\.\n$/],
  [['read', 'two', 'words'], /^That is 2 where 1 can be used/, /^Angegeben sind 2, gebraucht wird 1/],
  [['embid'], /^There is no command embid\. Did you mean embed\?\n$/, /^Den Befehl embid gibt es nicht\. Meinten Sie embed\?\n$/],
])('wrong use is told in either language: %j', (args, english, german) => {
  expect(cli(args)).toMatchObject({ status: 2, stderr: expect.stringMatching(english) as string });
  expect(cli(args, '', { LC_ALL: 'de_DE.UTF-8' })).toMatchObject({ status: 2, stderr: expect.stringMatching(german) as string });
});

test('help has no English word left in German', () => {
  const { stdout } = cli(['order', '--help'], '', { LC_ALL: 'de_DE.UTF-8' });
  expect(stdout).toMatch(/^Aufruf: refenestra order \[Optionen\] <Quelle>/);
  expect(stdout).not.toMatch(/default|options\]|<file>|<source>|Usage/);
});

describe('embed', () => {
  test('--json prints one object with item, plan, code and findings', () => {
    const { status, stdout } = cli(['embed', '--set', 'start=42', '--set', 'mute=on', '--json', LINK]);
    const made = JSON.parse(stdout) as {
      item: object;
      plan: { entries: { setting: string; state: string }[] };
      code: string;
      findings: unknown[];
    };
    expect(Object.keys(made)).toEqual(['item', 'plan', 'code', 'findings']);
    expect(made.item).toMatchObject({
      host: 'lanternreel',
      kind: 'video',
      scope: 'item',
      id: 'k7wq2m9d',
      form: 'see',
      unknown: [],
      dropped: [],
    });
    expect(made.plan.entries.map((e) => [e.setting, e.state])).toEqual([
      ['mute', 'sent'],
      ['start', 'sent'],
    ]);
    expect(made.code).toContain('hush=1&amp;from=42');
    expect(status).toBe(0);
  });

  test('exits with 1 when a check fails, and says which', () => {
    const { status, stdout, stderr } = cli(['embed', '--set', 'autoplay=on', LINK]);
    expect([status, stdout.startsWith('<iframe')]).toEqual([1, true]);
    expect(stderr).toContain('Browsers refuse');
  });

  test.each([
    [['--set', 'start=soon', LINK], 'Start time takes a time such as 42, 1:12 or 1m12s, not “soon”.'],
    [['--set', 'sparkle=on', LINK], 'There is no setting called “sparkle”.'],
    [['--set', 'start', LINK], '“start” is not name=value'],
    [['--form', 'hologram', LINK], 'There is no code type called “hologram”. There are responsive, padded, fixed, cover, '],
    [['--site', '/nowhere.json', LINK], 'The site /nowhere.json cannot be read'],
    [['--hosts', '/nowhere', LINK], 'The folder of host cards cannot be read'],
  ])('wrong use %j exits with 2', (args, sentence) => {
    const { status, stderr } = cli(['embed', ...args]);
    expect(status).toBe(2);
    expect(stderr).toContain(sentence);
  });

  test('follows another port', () => {
    expect(cli(['embed', LINK.replace('4600', '4711')], '', { PORT: '4711' }).stdout).toContain(
      'frames.lanternreel.localhost:4711',
    );
  });
});

describe('read', () => {
  test('--json prints each candidate with range, source, repairs, and item or reason', () => {
    const text = `See ${LINK} and http://lanternreel.localhost:4600/see/k7.`;
    const { status, stdout } = cli(['read', '--json', '-'], text);
    const found = JSON.parse(stdout) as {
      range: [number, number];
      source: string;
      repairs: [];
      item?: { id: string };
      reason?: { code: string; sentence: string };
    }[];
    expect(found.map((f) => [text.slice(...f.range), f.source, f.item?.id ?? f.reason?.code])).toEqual([
      [LINK, 'link', 'k7wq2m9d'],
      ['http://lanternreel.localhost:4600/see/k7', 'link', 'brokenIdentifier'],
    ]);
    expect(found[1]!.reason!.sentence).toContain('is not complete');
    expect(status).toBe(1);
  });

  test('an unknown command is wrong use', () => expect(cli(['sparkle']).status).toBe(2));
});

describe('hosts', () => {
  test('validates a folder of cards, and names what is wrong', () => {
    expect(cli(['hosts']).status).toBe(0);
    const folder = mkdtempSync(join(tmpdir(), 'cards-'));
    writeFileSync(join(folder, 'broken.json'), '{"format":"refenestra-host-card/1"}');
    const { status, stderr } = cli(['hosts', '--hosts', folder]);
    rmSync(folder, { recursive: true });
    expect(status).toBe(1);
    expect(stderr).toContain('broken.json, at id');
  });

  test('--prove runs the examples of each card, and names those that do not hold', () => {
    const card = JSON.parse(readFileSync('demo/hosts/waymoss.json', 'utf8')) as { id: string; links: { examples: string[] }[] };
    const folder = mkdtempSync(join(tmpdir(), 'cards-'));
    card.links[0]!.examples = ['https://elsewhere.example/at/here'];
    writeFileSync(join(folder, 'waymoss.json'), JSON.stringify(card));
    const { status, stdout, stderr } = cli(['hosts', '--prove', '--hosts', folder]);
    rmSync(folder, { recursive: true });
    expect(cli(['hosts', '--prove'])).toMatchObject({ status: 0, stderr: '' });
    expect([status, stdout, stderr]).toEqual([
      1,
      expect.stringContaining('; 4 of 5 examples passed'),
      expect.stringContaining('https://elsewhere.example/at/here: It is not of this host.'),
    ]);
  });
});

describe('check', () => {
  const page = `<p>Text</p><iframe width="900" height="500" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1"></iframe>
<iframe src="javascript:alert(1)"></iframe>`;

  test('tells what would go wrong with each embed of a page, as it stands', () => {
    const { status, stdout } = cli(['check', '-'], page);
    expect(status).toBe(1);
    expect(stdout).toContain('lanternreel · video · k7wq2m9d');
    expect(stdout).toContain('It is to start by itself with sound.');
    expect(stdout).toContain('begins with javascript: could run code');
  });

  test('--json gives the findings as data, with their places in the page', () => {
    const found = JSON.parse(cli(['check', '--json', '-'], page).stdout) as {
      findings: { code: string; place: [number, number] | null }[];
    }[];
    const [first] = found;
    const loud = first!.findings.find(({ code }) => code === 'autoplayUnmuted')!;
    expect(page.slice(...loud.place!)).toBe('auto=1');
  });

  test('of code in order has nothing to say, and exits with 0', () => {
    const code = `<iframe title="Sluice" src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d" style="width:100%;aspect-ratio:16/9"></iframe>`;
    expect(cli(['check', code])).toMatchObject({ status: 0 });
  });
});

describe('batch', () => {
  const folder = mkdtempSync(join(tmpdir(), 'batch-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const put = (name: string, text: string): string => {
    writeFileSync(join(folder, name), text);
    return join(folder, name);
  };
  const site = readSites(WRITTEN_ORIGIN)[0]!;
  const files = {
    csv: put('in.csv', `link;title\n${LINK};Sluice\nask the ferryman;B\n`),
    site: put('site.json', JSON.stringify(site)),
    style: put(
      'style.json',
      JSON.stringify({ version: 1, site: site.id, rules: [{ kind: 'video', setting: 'mute', value: 'on', reason: 'quiet' }] }),
    ),
  };

  test('prints the table with the codes, by the house style, and names the rows that need somebody', () => {
    const { status, stdout, stderr } = cli(['batch', files.csv, '--site', files.site, '--style', files.style]);
    expect(stdout).toMatch(/^\uFEFFlink;title;embed code;state;findings\r\n/);
    expect(stdout).toContain('hush=1');
    expect([status, /row (\d)/.exec(stderr)?.[1]]).toEqual([1, '2']);
  });

  test('writes one file a row', () => {
    const { stdout } = cli(['batch', files.csv, '--site', files.site, '--out', join(folder, 'out')]);
    expect(stdout).toBe('');
    expect(readdirSync(join(folder, 'out'))).toEqual(['1-sluice.html', 'batch.csv']);
  });

  test('an address at which nothing answers is wrong use', () => {
    const { status, stderr } = cli(['batch', files.csv, '--ask', 'http://127.0.0.1:9']);
    expect([status, stderr]).toEqual([2, expect.stringContaining('No Refenestra answers at http://127.0.0.1:9')]);
  });

  test('a style without its site is wrong use', () => {
    const { status, stderr } = cli(['batch', files.csv, '--style', files.style]);
    expect([status, stderr]).toEqual([2, expect.stringContaining('--site')]);
  });
});

describe('teach', () => {
  const folder = mkdtempSync(join(tmpdir(), 'examples-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const pair = (id: string, more = '') => ({
    link: `https://quill.example/see/${id}`,
    code: `<iframe src="https://quill.example/f/${id}${more}"></iframe>`,
  });
  const file = (name: string, data: object): string => {
    writeFileSync(join(folder, name), JSON.stringify(data));
    return join(folder, name);
  };

  test('works out a card that can be put into a folder as it is, and says what it rests on', () => {
    const examples = [pair('aa11'), pair('bb22'), pair('cc33'), { ...pair('aa11', '?from=72'), settings: { start: 72 } }];
    const taught = cli(['teach', '--json', file('examples.json', { format: 'refenestra-examples/1', name: 'Quill', examples })]);
    const { card, ...rests } = JSON.parse(taught.stdout) as {
      card: object;
      facts: object[];
      questions: object[];
      unexplained: object[];
    };
    expect(Object.keys(rests)).toEqual(['facts', 'questions', 'unexplained']);
    expect(rests.facts).toContainEqual({ at: '/settings/start', certainty: 'certain', from: [3] });
    expect([taught.status, rests.unexplained]).toEqual([0, []]);
    rmSync(join(folder, 'examples.json'));
    file('quill.json', card);
    const made = cli(['embed', '--hosts', folder, '--set', 'start=1:30', '--json', 'https://quill.example/see/dd44']);
    expect(JSON.parse(made.stdout)).toMatchObject({
      item: { host: 'quill' },
      code: expect.stringContaining('/f/dd44?from=90') as string,
    });
    rmSync(join(folder, 'quill.json'));
  });

  test.each([
    ['what is no list of examples', { format: 'refenestra-examples/1', examples: 7 }, 2, 'examples'],
    [
      'a setting that there is not',
      { format: 'refenestra-examples/1', examples: [{ settings: { sparkle: 'on' } }] },
      2,
      'sparkle',
    ],
    [
      'examples of which nothing can be made',
      { format: 'refenestra-examples/1', examples: [pair('aa11')].map(({ link }) => ({ link })) },
      1,
      'embed code',
    ],
  ])('tells %s', (_, data, status, words) => {
    const told = cli(['teach', file('odd.json', data)]);
    expect([told.status, told.stderr]).toEqual([status, expect.stringContaining(words)]);
  });
});

describe('order', () => {
  const folder = mkdtempSync(join(tmpdir(), 'orders-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  const at = (name: string): string => join(folder, name);
  const feed = (count: number): string =>
    `<rss version="2.0"><channel><title>The diary</title>${Array.from(
      { length: count },
      (_, i) =>
        `<item><guid>${count - i}</guid><title>Part ${count - i}</title><enclosure url="https://pod.example/${count - i}.mp3" type="audio/mpeg" length="1"/></item>`,
    ).join('')}</channel></rss>`;

  test('makes a page of a feed, and a week later brings in what is new, and only that', () => {
    writeFileSync(at('feed.xml'), feed(3));
    const args = ['order', at('feed.xml'), '--order', at('kept.json'), '--out', at('page.html')];
    expect(cli(args)).toMatchObject({ status: 0, stderr: expect.stringContaining('3 entries.\n') as string });
    const before = readFileSync(at('page.html'), 'utf8');
    writeFileSync(at('feed.xml'), feed(5));
    expect(cli(args)).toMatchObject({ status: 0, stderr: expect.stringContaining('New: Part 5; Part 4.') as string });
    const after = readFileSync(at('page.html'), 'utf8');
    const items = (page: string): string[] => page.split('\n').filter((line) => line.startsWith('<li>'));
    const titles = (page: string): string[] => items(page).map((line) => /Part \d/.exec(line)![0]);
    expect([titles(before), titles(after)]).toEqual([
      ['Part 3', 'Part 2', 'Part 1'],
      ['Part 5', 'Part 4', 'Part 3', 'Part 2', 'Part 1'],
    ]);
    // But for the entries, their data, and their count, the page is the same.
    const rest = (page: string): string =>
      page
        .split('\n')
        .filter((line) => !line.startsWith('<li>') && !line.includes('id="order"'))
        .join('\n');
    expect(rest(after)).toBe(rest(before));
    expect(cli(args).stderr).toContain('Nothing is new.');
  });

  test.each([
    ['--newest takes a number', ['--newest', 'all'], 2, '--newest takes a number'],
    ['a layout that there is not', ['--layout', 'carousel'], 2, 'beside, below, strip, one'],
    ['a format that there is not', ['--as', 'opus'], 2, '--as takes page'],
    ['a form that there is not', ['--form', 'popup'], 2, '--form takes whole, file, script, inline'],
    ['a file whose address nobody knows', ['--form', 'file'], 2, '--form file takes --address'],
    ['what is wrong with it', [], 0, 'Warning: “Part 2” and “Part 1” have no transcript.'],
  ])('%s', (_, more, status, words) => {
    writeFileSync(at('feed.xml'), feed(2));
    expect(cli(['order', at('feed.xml'), ...more])).toMatchObject({ status, stderr: expect.stringContaining(words) as string });
  });

  test('is written as code, with what is said around it, as far as its feed names it', async () => {
    const said = 'WEBVTT\n\n00:01.000 --> 00:02.000\nHere the wheel turns\n';
    const serve = `require('http').createServer((asked, answer) => {
      const home = 'http://localhost:' + asked.socket.localPort;
      const transcript = '<podcast:transcript url="' + home + '/1.vtt" type="text/vtt"/>';
      if (asked.url === '/1.vtt') return answer.end(${JSON.stringify(said)});
      answer.end('<rss version="2.0" xmlns:podcast="https://podcastindex.org/namespace/1.0"><channel><title>The diary</title><item><title>Part 1</title><enclosure url="https://pod.example/1.mp3" type="audio/mpeg" length="1"/>' + transcript + '</item></channel></rss>');
    }).listen(0, function () { console.log(this.address().port); })`;
    const server = spawn(process.execPath, ['-e', serve]);
    const [port] = (await once(server.stdout, 'data')) as [Buffer];
    const feedAt = `http://localhost:${String(port).trim()}/feed.xml`;
    const args = ['order', feedAt, '--transcripts', '--form', 'file', '--address', 'https://mill.example/talks.html', '--text'];
    const { status, stdout, stderr } = cli(args);
    server.kill();
    expect([status, stderr]).toEqual([0, '1 entry.\nIt is brought in.\n']);
    expect(stdout).toMatch(/^<iframe src="https:\/\/mill\.example\/talks\.html" loading="lazy"/);
    expect(stdout).toContain('<p>Here the wheel turns</p>');
    expect(stdout).toContain('"@type":"PodcastSeries"');
  });

  test('is written in another format, with the newest alone', () => {
    writeFileSync(at('feed.xml'), feed(4));
    const { stdout } = cli(['order', at('feed.xml'), '--newest', '2', '--as', 'm3u']);
    expect(stdout).toBe(
      '#EXTM3U\n#PLAYLIST:The diary\n#EXTINF:-1,Part 4\nhttps://pod.example/4.mp3\n#EXTINF:-1,Part 3\nhttps://pod.example/3.mp3\n',
    );
  });
});

describe('sweep', () => {
  const site = mkdtempSync(join(tmpdir(), 'cli-sweep-'));
  afterAll(() => rmSync(site, { recursive: true }));
  const at = (name: string): string => join(site, name);
  const code = '<iframe src="http://frames.lanternreel.localhost:4600/f/k7wq2m9d?auto=1"></iframe>';
  const page = `<!doctype html><h2>High water</h2>\r\n${code}\r\n<p>\u00e9</p>`;
  /** In the code page of Western systems, as old pages are. */
  const old = Buffer.from(`<meta charset="windows-1252"><h2>Caf\u00e9</h2>${code}`, 'latin1');

  test('tells what is wrong, changes what the rules say, and then finds nothing', () => {
    mkdirSync(at('site/sub'), { recursive: true });
    writeFileSync(at('site/index.html'), page);
    writeFileSync(at('site/sub/old.html'), old);
    writeFileSync(at('site/picture.webp'), 'no page');
    writeFileSync(
      at('rules.json'),
      JSON.stringify({ version: 1, titles: true, putRight: ['autoplayUnmuted', 'permissionMissing'] }),
    );
    const first = cli(['sweep', at('site'), '--report', at('first.json')]);
    expect(first.status).toBe(1);
    expect(first.stdout).toMatch(/^index\.html:2: error: It is to start by itself with sound\./m);
    expect(first.stdout).toMatch(/^sub\/old\.html:1: error: /m);
    expect(first.stderr).toContain('2 embeds of 1 item from 1 host in 2 files');
    expect(readFileSync(at('site/index.html'), 'utf8')).toBe(page);
    const fixed = cli(['sweep', at('site'), '--rules', at('rules.json'), '--patch', at('all.patch'), '--fix']);
    expect(fixed.stderr).toContain('2 changed.');
    expect(fixed.status).toBe(0);
    const written = readFileSync(at('site/index.html'), 'utf8');
    expect(written).toContain('auto=1&amp;hush=1"');
    expect(written).toContain('title="High water"');
    expect(written.replace(/<iframe[^]*<\/iframe>/, code)).toBe(page);
    const again = readFileSync(at('site/sub/old.html'));
    expect(again.includes(Buffer.from('title="Caf\u00e9"', 'latin1'))).toBe(true);
    expect(readFileSync(at('all.patch'), 'utf8')).toMatch(/^--- a\/index\.html\n\+\+\+ b\/index\.html\n@@ /);
    const last = cli(['sweep', at('site'), '--since', at('first.json'), '--report', at('last.html')]);
    expect([last.status, last.stdout]).toEqual([0, '']);
    expect(last.stderr).toMatch(/0 new findings, \d+ findings put right/);
    expect(readFileSync(at('last.html'), 'utf8')).toMatch(/^<!doctype html>[^]*2 embeds of 1 item/);
  });

  test('a zip is written as a zip, its other files as they were', () => {
    const zip = zipSync({ 'a/index.html': strToU8(page), 'a/picture.webp': strToU8('no page') });
    writeFileSync(at('site.zip'), zip);
    expect(cli(['sweep', at('site.zip'), '--rules', at('rules.json'), '--fix']).status).toBe(0);
    const files = unzipSync(readFileSync(at('site.zip')));
    expect(Object.keys(files)).toEqual(['a/index.html', 'a/picture.webp']);
    expect(strFromU8(files['a/index.html']!)).toContain('title="High water"');
    expect(strFromU8(files['a/picture.webp']!)).toBe('no page');
  });

  test.each([
    [['sweep', 'nowhere'], 'nowhere cannot be read'],
    [['sweep', '.', '--max-warnings', 'x'], '--max-warnings takes a number'],
    [['sweep', '.', '--style', 'x.json'], 'A house style belongs to a site'],
    [['sweep', 'https://tidemill.example/'], '--ask ADDRESS'],
  ])('wrong use is told: %j', (args, words) => {
    const { status, stderr } = cli(args);
    expect([status, stderr]).toEqual([2, expect.stringContaining(words)]);
  });
});
