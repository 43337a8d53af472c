import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import { STATUS_CODES } from 'node:http';

/** What went wrong, as Problem Details (RFC 9457): a code of ours, and a sentence for whoever reads it. Never a stack or a path. */
export function sendProblem(response: Response, status: number, { code, detail }: { code: string; detail?: string }): void {
  response
    .status(status)
    .type('application/problem+json')
    .set('Cache-Control', 'no-store')
    .send(
      JSON.stringify({ type: 'about:blank', title: STATUS_CODES[status] ?? 'Error', status, code, ...(detail && { detail }) }),
    );
}

const DETAILS: ReadonlyMap<number, string> = new Map([
  [400, 'The request could not be read: look for a mistake in its JSON, or in its address.'],
  [413, 'The request is larger than anything that is asked in earnest.'],
  [429, 'Too many questions in a minute. Wait a little, then ask again.'],
]);

/** The last word on errors: those of whoever asked keep their status, all others are 500. */
export const tellProblem: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const asked = (error as { status?: unknown } | null)?.status;
  const status = typeof asked === 'number' && asked >= 400 && asked < 500 ? asked : error instanceof URIError ? 400 : 500;
  if (status === 500) request.log.error({ error }, 'a request failed');
  const detail = DETAILS.get(status);
  sendProblem(response, status, { code: status === 500 ? 'failed' : 'badRequest', ...(detail && { detail }) });
};

/** What is served by TLS is asked by TLS alone from then on (RFC 6797); nothing is said of names below, which may be of others. */
export const hstsOf = (origin: string): false | { maxAge: number; includeSubDomains: boolean } =>
  origin.startsWith('https:') && { maxAge: 365 * 24 * 60 * 60, includeSubDomains: false };

/** Nobody guesses what something is from its content (Fetch Standard, section 3.6). */
export const noSniffing: RequestHandler = (_, response, next) => {
  response.set('X-Content-Type-Options', 'nosniff');
  next();
};
