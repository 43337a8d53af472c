import { existsSync, writeFileSync } from 'node:fs';
import { withText } from '../core/order/around.ts';
import { checkOrder } from '../core/order/checks/list.ts';
import { fetchWords, withWords } from '../core/order/cues/named.ts';
import { ORDER_FORMS } from '../core/order/forms/list.ts';
import { LAYOUTS, namesMore, newOrder, orderSchema, withNews, type Found, type Order } from '../core/order/order.ts';
import { FORMATS, readOrder } from '../core/order/formats/list.ts';
import { pageOf } from '../core/order/page/page.ts';
import { readJson as parseJson } from '../core/model/json.ts';
import { sayFetched, sayFound, sayNews, sayOrderFinding } from '../messages/order.ts';
import { SEVERITY_WORDS } from '../messages/severity.ts';
import { styleSchema } from '../core/known/styles/style.ts';
import { charsetIn, markupText } from '../core/many/batch/markupText.ts';
import { openBook, readFileOrSay, readJson, readSite, sampleSite, UsageError } from './io.ts';
import { t } from '../messages/t.ts';

interface Options {
  newest?: string;
  layout?: string;
  as?: string;
  form?: string;
  address?: string;
  text?: boolean;
  transcripts?: boolean;
  out?: string;
  site?: string;
  style?: string;
  hosts?: string;
  order?: string;
}

/** A page that plays a file or a feed as one, or the same in another format; `--order` keeps it, and brings it up to date. */
export async function order(source: string, options: Options): Promise<number> {
  const newest = options.newest === undefined ? Infinity : Number(options.newest);
  if (!(newest > 0)) throw new UsageError(t('--newest takes a number from 1 on.'));
  const text = /^https?:/i.test(source) ? await fetchText(source) : readFileOrSay(source, t('running order'));
  const base = /^https?:/i.test(source) ? source : undefined;
  const kept =
    options.order !== undefined && existsSync(options.order) ? ownOrder(readFileOrSay(options.order, t('running order'))) : null;
  const listed = kept ? broughtUp(kept, text, { base, newest }) : begun(text, { base, source, newest });
  const made = options.transcripts === true ? await withTranscripts(listed) : listed;
  const layout = LAYOUTS.find((one) => one === options.layout);
  if (options.layout !== undefined && !layout)
    throw new UsageError(t('--layout takes {layouts}.', { layouts: LAYOUTS.join(', ') }));
  const whole = layout ? { ...made, layout } : made;
  if (options.order !== undefined) writeFileSync(options.order, `${JSON.stringify(whole, null, 2)}\n`);
  const written = outOf(whole, options);
  if (options.out === undefined) process.stdout.write(written);
  else writeFileSync(options.out, written);
  return whole.entries.length > 0 ? 0 : 1;
}

async function fetchText(address: string): Promise<string> {
  const answer = await fetch(address).catch(() => null);
  if (!answer?.ok)
    throw new UsageError(
      answer
        ? t('{address} does not answer ({status}).', { address, status: answer.status })
        : t('{address} does not answer.', { address }),
    );
  return markupText(new Uint8Array(await answer.arrayBuffer()), charsetIn(answer.headers.get('content-type') ?? '')).text;
}

/** A running order of our own format; null where the text is none. */
function ownOrder(text: string): Order | null {
  const data = parseJson(text);
  const read = 'wrong' in data ? undefined : orderSchema.safeParse(data.value);
  return read?.success ? read.data : null;
}

function foundIn(text: string, base: string | undefined): Found {
  const found = readOrder(text, base);
  if (!found)
    throw new UsageError(
      t('This is neither a running order nor {formats}.', { formats: FORMATS.map(({ label }) => label).join(', ') }),
    );
  console.error(sayFound(found.entries.length, found.left.length));
  return found;
}

function begun(text: string, { base, source, newest }: { base: string | undefined; source: string; newest: number }): Order {
  const own = ownOrder(text);
  if (own) return own;
  const { name, words, links, coverAt, entries } = foundIn(text, base);
  return newOrder(source.slice(-80), {
    name,
    words,
    links,
    entries: entries.slice(0, newest),
    seen: entries.map(({ id }) => id),
    ...(coverAt !== undefined && { coverAt }),
    ...(base !== undefined && { feed: base }),
  });
}

function broughtUp(kept: Order, text: string, { base, newest }: { base: string | undefined; newest: number }): Order {
  const { order: after, added } = withNews(kept, foundIn(text, base), newest);
  console.error(sayNews(added));
  return after;
}

async function withTranscripts(listed: Order): Promise<Order> {
  const waiting = listed.entries.filter(namesMore).length;
  const found = await fetchWords(listed.entries, (address) => fetchText(address).catch(() => null));
  if (waiting > 0) console.error(sayFetched(found.size, waiting));
  return { ...listed, entries: withWords(listed.entries, found) };
}

function outOf(whole: Order, options: Options): string {
  const { as = 'page' } = options;
  const format = FORMATS.find(({ id }) => id === as);
  if (format) return format.write(whole);
  if (as !== 'page') throw new UsageError(t('--as takes page, {formats}.', { formats: FORMATS.map(({ id }) => id).join(', ') }));
  return pageOrCode(whole, options);
}

function pageOrCode(whole: Order, { site: file, style: styleFile, hosts, form: wanted, address, text = false }: Options): string {
  const [book, site] = [openBook(hosts), file === undefined ? sampleSite() : readSite(file)];
  const form = ORDER_FORMS.find(({ id }) => id === wanted);
  if (wanted !== undefined && !form)
    throw new UsageError(t('--form takes {forms}.', { forms: ORDER_FORMS.map(({ id }) => id).join(', ') }));
  if (form?.id === 'file' && address === undefined)
    throw new UsageError(t('--form file takes --address, where the page will stand.'));
  const style = styleFile === undefined ? undefined : readJson(styleFile, { what: t('house style'), schema: styleSchema });
  const page = pageOf(whole, { book, site, style });
  const checked = { order: whole, site, played: page.played, weight: Buffer.byteLength(page.html), reached: new Map() };
  for (const finding of checkOrder(checked))
    console.error(`${SEVERITY_WORDS[finding.severity]}: ${sayOrderFinding(finding, whole)}`);
  if (!form) return page.html;
  const code = form.write(whole, page, address ?? '');
  return `${text ? withText(code, whole, { book, site }) : code}\n`;
}
