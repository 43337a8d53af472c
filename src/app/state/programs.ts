import { z } from 'zod';
import { server } from './server.ts';
import { t } from '../../messages/t.ts';

const operation = z.object({
  summary: z.string(),
  requestBody: z
    .object({ content: z.object({ 'application/json': z.object({ example: z.unknown(), schema: z.looseObject({}) }) }) })
    .optional(),
});
const described = z.object({ paths: z.record(z.string(), z.object({ post: operation.optional() })) });
/** What programs can ask, as the server describes it (OpenAPI 3.1); of it only what the screen shows. */
export type Described = z.infer<typeof described>;

const job = z.object({
  id: z.string(),
  kind: z.enum(['batch', 'sweep']),
  title: z.string(),
  ordered: z.string(),
  state: z.enum(['waiting', 'running', 'done', 'failed', 'cancelled']),
  parts: z.number(),
  made: z.number(),
  failed: z.number(),
  why: z.string().optional(),
});
export type Job = z.infer<typeof job>;

interface Asked {
  key: string;
}

const oembed = z.object({
  type: z.string(),
  provider_name: z.string(),
  title: z.string().optional(),
  width: z.number().nullish(),
  height: z.number().nullish(),
  html: z.string(),
});
/** What a page editor is answered (oEmbed 1.0, section 2.3). */
export type OEmbed = z.infer<typeof oembed>;

const withKey = (key: string): { headers?: Record<string, string> } =>
  key === '' ? {} : { headers: { Authorization: `Bearer ${key}` } };

/** What other programs ask of the server, asked from its own page. */
export const programs = server.injectEndpoints({
  endpoints: (build) => ({
    described: build.query<Described, void>({ query: () => 'openapi.json', responseSchema: described }),
    oembed: build.query<OEmbed, { url: string; site: string }>({
      query: ({ url, site }) => ({ url: `${location.origin}/oembed`, params: { url, ...(site !== '' && { site }) } }),
      responseSchema: oembed,
      keepUnusedDataFor: 0,
    }),
    asked: build.mutation<unknown, Asked & { path: string; body: unknown }>({
      query: ({ path, body, key }) => ({ url: path, method: 'POST', body, timeout: 60_000, ...withKey(key) }),
    }),
    jobs: build.query<Job[], Asked>({
      query: ({ key }) => ({ url: 'jobs', ...withKey(key) }),
      responseSchema: z.array(job),
      keepUnusedDataFor: 0,
    }),
    jobOrdered: build.mutation<Job, Asked & { order: object }>({
      query: ({ order, key }) => ({ url: 'jobs', method: 'POST', body: order, timeout: 60_000, ...withKey(key) }),
      responseSchema: job,
    }),
    jobCancelled: build.mutation<Job, Asked & { id: string }>({
      query: ({ id, key }) => ({ url: `jobs/${id}`, method: 'DELETE', ...withKey(key) }),
    }),
    jobRetried: build.mutation<Job, Asked & { id: string }>({
      query: ({ id, key }) => ({ url: `jobs/${id}/retry`, method: 'POST', ...withKey(key) }),
    }),
  }),
});

/** Rows of a job, one JSON text a line, as they are made so far. */
export async function rowsOf(id: string, key: string): Promise<string> {
  const answer = await fetch(`/api/jobs/${id}/rows`, withKey(key));
  if (!answer.ok) throw new Error(t('the rows were refused: {status}', { status: answer.status }));
  return answer.text();
}
