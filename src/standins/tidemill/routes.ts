import { Router } from 'express';
import mustache from 'mustache';
import { gzipSync } from 'node:zlib';
import { addressOf, type StandIn } from '../standIn.ts';
import { readCardFiles } from '../world.ts';

/** As many pages as the sample site has, apart from its traps. */
export const PAGES = 240;

const PAGE = `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><title>{{title}}</title></head>
<body>
<nav><a href="/">Quillmarsh Tide Mill</a> <a href="/calendar/2027/1">Calendar</a> <a href="/ring/a">The round walk</a> <a href="/private/ledger">Ledger</a></nav>
<h1>{{title}}</h1>
<p>Twice a day the estuary fills the mill pond &amp; the sluice closes behind it.</p>
{{{code}}}
<p>{{#links}}<a href="{{.}}">{{.}}</a> {{/links}}</p>
</body>
</html>
`;
const SUBJECTS = ['High water', 'Low water', 'The ferry', 'Grinding day', 'The song of the mill'];

const pathOf = (number: number): string => `/news/${number}`;

/** Codes as sites have them: frames of every host that has any, some with settings, few with a title. */
function codes(origin: string): string[] {
  return readCardFiles(origin).flatMap(({ text }) => {
    const { links } = JSON.parse(text) as { links: { framed?: boolean; examples: string[] }[] };
    return links
      .filter(({ framed }) => framed)
      .flatMap(({ examples }) => examples.slice(0, 1))
      .map((address) => `<iframe src="${address.replaceAll('&', '&amp;')}" width="560" height="315"></iframe>`);
  });
}

function pageAt(number: number, some: readonly string[]): string {
  const title = `${SUBJECTS[number % SUBJECTS.length]} ${number}`;
  const next = [number + 1, number + 7].filter((one) => one <= PAGES).map(pathOf);
  return mustache.render(PAGE, { title, code: number % 4 === 0 ? '' : some[number % some.length], links: next });
}

/** What was asked of the site, so that tests can see how polite whoever asked was. */
interface Asked {
  paths: string[];
  /** The most requests that were open at one time. */
  together: number;
}

/** The site of the tide mill: no host, but pages with embeds of all of them; it has traps for those who read it all. */
export const tidemill: StandIn = {
  id: 'tidemill',
  routers: ({ origin }) => {
    const router = Router();
    const here = addressOf('tidemill', origin);
    const some = codes(origin);
    const asked: Asked = { paths: [], together: 0 };
    let open = 0;
    router.get('/asked', (_, response) => void response.json(asked));
    router.use(({ path }, response, next) => {
      asked.paths.push(path);
      asked.together = Math.max(asked.together, ++open);
      response.on('close', () => open--);
      next();
    });
    const map = (from: number, to: number): string =>
      `<?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${Array.from({ length: to - from + 1 }, (_, i) => `<url><loc>${here}${pathOf(from + i)}</loc></url>`).join('')}</urlset>`;
    router.get(
      '/robots.txt',
      (_, response) =>
        void response.type('text/plain').send(`User-agent: *\nDisallow: /private/\nSitemap: ${here}/sitemap.xml\n`),
    );
    router.get(
      '/sitemap.xml',
      (_, response) =>
        void response
          .type('application/xml')
          .send(
            `<?xml version="1.0"?><sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><sitemap><loc>${here}/pages-1.xml</loc></sitemap><sitemap><loc>${here}/pages-2.xml.gz</loc></sitemap></sitemapindex>`,
          ),
    );
    router.get('/pages-1.xml', (_, response) => void response.type('application/xml').send(map(1, 100)));
    router.get('/pages-2.xml.gz', (_, response) => void response.type('application/gzip').send(gzipSync(map(101, 200))));
    router.get(
      '/',
      (_, response) => void response.send(mustache.render(PAGE, { title: 'Quillmarsh Tide Mill', code: '', links: [pathOf(1)] })),
    );
    let busy = true;
    router.get('/news/:number', ({ params }, response) => {
      const number = Number(params.number);
      if (!(number >= 1 && number <= PAGES)) return void response.status(404).send('There is no such page.');
      // Once it has too much to do.
      if (number === 13 && busy) {
        busy = false;
        return void response.status(429).set('Retry-After', '1').send('A moment.');
      }
      response.send(pageAt(number, some));
    });
    router.get('/calendar/:year/:month', ({ params }, response) => {
      const month = Number(params.month);
      const next = month === 12 ? `/calendar/${Number(params.year) + 1}/1` : `/calendar/${params.year}/${month + 1}`;
      response.send(mustache.render(PAGE, { title: `Tides ${params.month}/${params.year}`, code: '', links: [next, '/large'] }));
    });
    router.get('/ring/:place', ({ params }, response) => response.redirect(302, `/ring/${params.place === 'a' ? 'b' : 'a'}`));
    router.get('/private/ledger', (_, response) => void response.send('This is nobody’s business.'));
    // Two hundred megabytes, for whoever takes them.
    router.get('/large', (_, response) => {
      response.type('html').set('Cache-Control', 'no-transform').write('<!doctype html><title>All tides</title>');
      let left = 200;
      const more = (): void => {
        while (left-- > 0) if (!response.write(' '.repeat(1_000_000))) return void response.once('drain', more);
        response.end();
      };
      more();
    });
    return { tidemill: router };
  },
};
