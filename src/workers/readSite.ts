import { crawledLines, type CrawlTold } from '../core/many/sweep/crawled.ts';

/** How a site is read: by which server, and until when. */
export interface SiteAsking {
  /** Origin of the server; empty for the one that the page is from. */
  server: string;
  signal: AbortSignal;
}

/** What a server tells of a site while it reads it, politely; throws where the server does not answer. */
export async function* readSite(url: string, { server, signal }: SiteAsking): AsyncGenerator<CrawlTold, void> {
  const answer = await fetch(`${server}/api/crawl`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ url }),
    signal,
  });
  if (!answer.ok || !answer.body) throw new Error(String(answer.status));
  yield* crawledLines(texts(answer.body));
}

/** Streams of browsers cannot be walked through everywhere. */
async function* texts(body: ReadableStream<Uint8Array>): AsyncGenerator<string, void> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    yield decoder.decode(value, { stream: true });
  }
}
