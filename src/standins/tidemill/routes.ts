import { Router } from 'express';
import { gzipSync } from 'node:zlib';
import { strToU8, zipSync } from 'fflate';
import { addressOf, type StandIn } from '../standIn.ts';
import { asMarkdown, asXml, pagesOf, pathOf, plainPage, type ExportedFile } from './pages.ts';

/** What was asked of the site, so that tests can see how polite whoever asked was. */
interface Asked {
  paths: string[];
  /** The most requests that were open at one time. */
  together: number;
  /** How many were told that nothing has changed. */
  unchanged: number;
}

/** The site of the tide mill: no host, but pages with embeds of all of them; it has traps for those who read it all. */
export const tidemill: StandIn = {
  id: 'tidemill',
  routers: ({ origin }) => {
    const router = Router();
    const here = addressOf('tidemill', origin);
    const pages = pagesOf(origin);
    const asked: Asked = { paths: [], together: 0, unchanged: 0 };
    let open = 0;
    router.get('/asked', (_, response) => void response.json(asked));
    router.use(({ path }, response, next) => {
      asked.paths.push(path);
      asked.together = Math.max(asked.together, ++open);
      response.on('close', () => {
        open--;
        asked.unchanged += Number(response.statusCode === 304);
      });
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
    router.get('/', (_, response) => void response.send(plainPage('Quillmarsh Tide Mill', [pathOf(1)])));
    let busy = true;
    router.get('/news/:number', ({ params }, response) => {
      const number = Number(params.number);
      const page = pages[number - 1];
      if (!page) return void response.status(404).send('There is no such page.');
      // Once it has too much to do.
      if (number === 13 && busy) {
        busy = false;
        return void response.status(429).set('Retry-After', '1').send('A moment.');
      }
      response.send(page.html);
    });
    // What its editor gives away: its pages as they are, as Markdown, and all of it in one file.
    const zipOf = (files: readonly ExportedFile[]): Buffer =>
      Buffer.from(zipSync(Object.fromEntries(files.map(({ name, text }) => [name, strToU8(text)]))));
    router.get('/export/pages.zip', (_, response) => {
      response.type('zip').send(zipOf(pages.map(({ number, html }) => ({ name: `news/${number}.html`, text: html }))));
    });
    router.get('/export/notes.zip', (_, response) => void response.type('zip').send(zipOf(asMarkdown(origin))));
    router.get('/export/site.xml', (_, response) => void response.type('application/xml').send(asXml(origin).text));
    router.get('/calendar/:year/:month', ({ params }, response) => {
      const month = Number(params.month);
      const next = month === 12 ? `/calendar/${Number(params.year) + 1}/1` : `/calendar/${params.year}/${month + 1}`;
      response.send(plainPage(`Tides ${params.month}/${params.year}`, [next, '/large']));
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
