import { z } from 'zod';
import { JOB_STATES, orderSchema } from './jobs/job.ts';
import { OPERATIONS } from './programs.ts';

const problem = { $ref: '#/components/responses/Problem' };
const job = { description: 'The job.', content: { 'application/json': { schema: { $ref: '#/components/schemas/Job' } } } };
const asJson = (schema: z.ZodType, example: unknown): object => ({
  required: true,
  content: { 'application/json': { schema: z.toJSONSchema(schema, { io: 'input' }), example } },
});
const security = [{}, { key: [] }];
const ofJob = { name: 'id', in: 'path', required: true, schema: { type: 'string' } };

/** One operation on a job, which may not be there. */
const onJob = (operationId: string, summary: string, answer: object): object => ({
  operationId,
  summary,
  security,
  parameters: [ofJob],
  responses: { 200: answer, 401: problem, 404: problem, 503: problem },
});

const parameter = (name: string, description: string, required = false): object => ({
  name,
  in: 'query',
  required,
  description,
  schema: { type: 'string' },
});

/** What programs can ask (OpenAPI 3.1), made of the schemas by which requests are checked; a link that is known is for the examples. */
export function openApi(link: string): object {
  return {
    openapi: '3.1.0',
    info: { title: 'Refenestra', version: '1', description: 'Share links in, embed code out, for programs.' },
    servers: [{ url: '/api' }],
    paths: {
      ...Object.fromEntries(
        OPERATIONS.map(({ path, summary, body, example }) => [
          path,
          {
            post: {
              operationId: path.slice(1),
              summary,
              security,
              requestBody: asJson(body, example(link)),
              responses: {
                200: {
                  description: 'The answer, as the command line prints it with --json.',
                  content: { 'application/json': {} },
                },
                ...Object.fromEntries([400, 401, 422, 429].map((status) => [status, problem])),
              },
            },
          },
        ]),
      ),
      '/jobs': {
        post: {
          operationId: 'orderJob',
          summary: 'A batch of many rows, or the sweep of a site at its address, done in the background',
          security,
          requestBody: asJson(orderSchema, { kind: 'batch', title: 'Three links', text: `${link}\n${link}\n${link}` }),
          responses: {
            202: { ...job, description: 'It is ordered; Location says where it is followed.' },
            ...Object.fromEntries([400, 401, 422, 429, 503].map((status) => [status, problem])),
          },
        },
        get: {
          operationId: 'listJobs',
          summary: 'All jobs, the newest first',
          security,
          responses: {
            200: {
              description: 'The jobs.',
              content: { 'application/json': { schema: { type: 'array', items: { $ref: '#/components/schemas/Job' } } } },
            },
            401: problem,
            503: problem,
          },
        },
      },
      '/jobs/{id}': {
        get: onJob('job', 'How far a job has come', job),
        delete: onJob('cancelJob', 'Calls a job off; what is made stays', job),
      },
      '/jobs/{id}/retry': { post: onJob('retryJob', 'Does again what failed or was called off', job) },
      '/jobs/{id}/rows': {
        get: onJob('rowsOfJob', 'What is made so far, one JSON text a line', {
          description: 'The rows, in the order in which they were given.',
          content: { 'application/x-ndjson': {} },
        }),
      },
      '/oembed': {
        servers: [{ url: '/' }],
        get: {
          operationId: 'oembed',
          summary: 'The code for a link, for page editors that speak oEmbed 1.0',
          parameters: [
            parameter('url', 'The link.', true),
            parameter('site', 'A site that this server knows: its id.'),
            parameter('maxwidth', 'Pixels.'),
            parameter('maxheight', 'Pixels.'),
            parameter('format', 'json or xml.'),
          ],
          responses: {
            200: { description: 'An oEmbed answer.', content: { 'application/json': {}, 'text/xml': {} } },
            ...Object.fromEntries([400, 404, 501].map((status) => [status, problem])),
          },
        },
      },
    },
    components: {
      securitySchemes: { key: { type: 'http', scheme: 'bearer' } },
      schemas: {
        Job: {
          type: 'object',
          required: ['id', 'kind', 'title', 'ordered', 'state', 'parts', 'made', 'failed'],
          properties: {
            id: { type: 'string' },
            kind: { enum: ['batch', 'sweep'] },
            title: { type: 'string' },
            ordered: { type: 'string', format: 'date-time' },
            state: { enum: [...JOB_STATES] },
            parts: { type: 'integer' },
            made: { type: 'integer' },
            failed: { type: 'integer' },
            why: { type: 'string' },
          },
        },
      },
      responses: {
        Problem: {
          description: 'What went wrong (RFC 9457).',
          content: {
            'application/problem+json': {
              schema: {
                type: 'object',
                required: ['type', 'title', 'status', 'code'],
                properties: {
                  type: { type: 'string' },
                  title: { type: 'string' },
                  status: { type: 'integer' },
                  code: { type: 'string' },
                  detail: { type: 'string' },
                },
              },
            },
          },
        },
      },
    },
  };
}
