import CachePolicy from 'http-cache-semantics';
import { LRUCache } from 'lru-cache';
import { guardedFetch, type Fetched, type Guard, type Limits } from './guard.ts';

/** Bytes of pages in memory at most. */
const MOST = 64_000_000;

/** What was said to a question of ours, with the rules by which it may be kept (RFC 9111). */
interface KeptPage {
  policy: CachePolicy;
  fetched: Fetched;
}

/** Pages of sites that were read before: each comes again only where it has changed (RFC 9110, section 13.1). */
export class PagesKept {
  private readonly pages = new LRUCache<string, KeptPage>({
    maxSize: MOST,
    sizeCalculation: ({ fetched }) => fetched.body.length + 1000,
  });

  async ask(address: string, guard: Guard, limits: Limits): Promise<Fetched> {
    const question = { url: address, headers: {} };
    const before = this.pages.get(address);
    const headers = before?.policy.revalidationHeaders(question) as Record<string, string> | undefined;
    const answer = await guardedFetch(address, guard, headers ? { ...limits, headers } : limits);
    if (before && answer.status === 304) return before.fetched;
    const { status, headers: said, redirects } = answer;
    const policy = new CachePolicy(question, { status, headers: { ...said } });
    const known = said.etag !== undefined || said['last-modified'] !== undefined;
    if (status === 200 && redirects.length === 0 && known && policy.storable())
      this.pages.set(address, { policy, fetched: answer });
    else this.pages.delete(address);
    return answer;
  }
}
