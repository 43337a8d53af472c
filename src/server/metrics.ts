import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';

/** What is counted of a process, in the text format of Prometheus. */
export interface Metrics {
  registry: Registry;
  requests: Histogram<'method' | 'kind' | 'status'>;
  /** Questions to others, by whether the answer was at hand. */
  answers: Counter<'kind' | 'from'>;
  jobs: Gauge<'state'>;
}

export function makeMetrics(): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const registers = [registry];
  return {
    registry,
    requests: new Histogram({
      name: 'refenestra_request_seconds',
      help: 'Time from a request to the end of its answer.',
      labelNames: ['method', 'kind', 'status'],
      buckets: [0.001, 0.005, 0.02, 0.1, 0.5, 2, 10],
      registers,
    }),
    answers: new Counter({
      name: 'refenestra_answers_total',
      help: 'Questions to hosts, by where their answer came from.',
      labelNames: ['kind', 'from'],
      registers,
    }),
    jobs: new Gauge({ name: 'refenestra_jobs', help: 'Parts of jobs, by state.', labelNames: ['state'], registers }),
  };
}

/** Kinds of addresses, so that no text of a request becomes a label. */
const KINDS: readonly (readonly [RegExp, string])[] = [
  [/^\/assets\//, 'asset'],
  [/^\/oembed/, 'oembed'],
  [/^\/api\/([a-z]+)(?:[/.]|$)/, 'api'],
  [/^\/(?:metrics|api\/health)/, 'health'],
];
const OPERATIONS = new Set([
  'read',
  'embed',
  'check',
  'batch',
  'teach',
  'sweep',
  'resolve',
  'reach',
  'crawl',
  'feed',
  'search',
  'jobs',
]);

function kindOf(path: string): string {
  for (const [pattern, kind] of KINDS) {
    const found = pattern.exec(path);
    if (!found) continue;
    return found[1] !== undefined && OPERATIONS.has(found[1]) ? found[1] : kind;
  }
  return 'page';
}

export const countRequests =
  ({ requests }: Metrics): RequestHandler =>
  (request, response, next) => {
    const done = requests.startTimer();
    const kind = kindOf(request.path);
    response.on('close', () => done({ method: request.method, kind, status: String(response.statusCode) }));
    next();
  };
