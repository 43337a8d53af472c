import { z } from 'zod';

/** A provider list in the format of the oEmbed registry; of each provider only what is needed to ask it. */
export const providersSchema = z
  .array(
    z.object({
      provider_name: z.string().min(1).max(120),
      provider_url: z.string().max(400),
      endpoints: z
        .array(
          z.object({
            schemes: z.array(z.string().max(400)).default([]),
            url: z.string().max(400),
            discovery: z.boolean().optional(),
          }),
        )
        .min(1),
    }),
  )
  .max(20_000);

export type Providers = z.infer<typeof providersSchema>;

/** The endpoint that answers for a link, without its parameters; undefined where none does. */
export function endpointFor(link: string, providers: Providers): string | undefined {
  for (const { endpoints } of providers)
    for (const { schemes, url } of endpoints)
      if (schemes.some((scheme) => follows(scheme, link))) return url.replace('{format}', 'json');
  return undefined;
}

/** Scheme and host, which end where a path, a query or a fragment begins (RFC 3986, section 3.2), and the rest. */
const ORIGIN = /^([a-z*+.-]*:\/\/[^/?#]*)?(.*)$/is;

/** oEmbed 1.0, section 2.1: a scheme is a URL in which `*` stands for anything, but within the host name not for its end. */
function follows(scheme: string, link: string): boolean {
  const [, host = '', rest = ''] = ORIGIN.exec(scheme)!;
  const [, linkHost = '', linkRest = ''] = ORIGIN.exec(link)!;
  return stands(host, linkHost) && stands(rest, linkRest);
}

/** Whether a text is a pattern in which `*` stands for anything. Walks piece by piece, so that no pattern can make it slow. */
function stands(pattern: string, text: string): boolean {
  const [first = '', ...rest] = pattern.split('*');
  if (!text.startsWith(first)) return false;
  let at = first.length;
  for (const piece of rest.slice(0, -1)) {
    const found = text.indexOf(piece, at);
    if (found < 0) return false;
    at = found + piece.length;
  }
  const last = rest.at(-1);
  return last === undefined ? text.length === at : text.length - last.length >= at && text.endsWith(last);
}
