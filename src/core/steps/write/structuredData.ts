import { isoTime } from '../../model/time.ts';
import type { Kind } from '../../model/kind.ts';
import { frameAddress } from './address.ts';
import type { WriteInput } from './form.ts';
import { boxHeight } from '../../model/box.ts';
import type { TreeNode } from './tree.ts';

/** Types of schema.org, by kind of item. */
const TYPES: { readonly [K in Kind]?: string } = {
  video: 'VideoObject',
  live: 'VideoObject',
  loop: 'VideoObject',
  audio: 'AudioObject',
  podcast: 'AudioObject',
  recording: 'AudioObject',
  picture: 'ImageObject',
  slideshow: 'PresentationDigitalDocument',
  document: 'DigitalDocument',
  booklet: 'DigitalDocument',
};

/** The cover where it has an address of its own, otherwise that of the host. */
export function pictureAddress({ plan, facts }: Pick<WriteInput, 'plan' | 'facts'>): string | undefined {
  const { cover } = plan.frame;
  return typeof cover === 'string' && cover.startsWith('http') ? cover : facts.cover;
}

/** What is known of the item in the words of schema.org, as JSON-LD 1.1; nothing is said that is not known. */
export function describe({ item, plan, site, facts }: WriteInput): Record<string, unknown> {
  const { title, text, transcript } = plan.frame;
  const address = frameAddress(plan)
    .map((piece) => piece.text)
    .join('');
  const known = {
    '@context': 'https://schema.org',
    '@type': TYPES[item.kind] ?? 'MediaObject',
    name: title ?? facts.title,
    description: text,
    author: facts.author && { '@type': 'Person', name: facts.author },
    duration: facts.duration === undefined ? undefined : isoTime(facts.duration),
    thumbnailUrl: pictureAddress({ plan, facts }),
    [plan.media || item.form === 'file' ? 'contentUrl' : 'embedUrl']: item.frame === null ? undefined : address,
    url: item.canonical,
    width: plan.box.width,
    height: boxHeight(plan.box),
    inLanguage: site?.language,
    transcript,
  };
  return Object.fromEntries(Object.entries(known).filter(([, value]) => value !== undefined && value !== ''));
}

/** In a script element no text may end it (HTML, section 4.12.1.3), so every `<` is escaped (RFC 8259, section 7). */
export function structuredData(input: WriteInput, origin?: 'structuredData'): TreeNode {
  const json = JSON.stringify(describe(input), null, 2).replaceAll('<', '\\u003c');
  const type = { name: 'type', value: [{ text: 'application/ld+json' }], ...(origin && { origin }) };
  return { tag: 'script', attributes: [type], children: [{ verbatim: json }] };
}
