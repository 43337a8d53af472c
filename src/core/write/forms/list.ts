import { cover } from './cover.ts';
import { coverScript } from './cover-script.ts';
import { fixed } from './fixed.ts';
import { jsonld } from './jsonld.ts';
import { jsx } from './jsx.ts';
import { link } from './link.ts';
import { markdown } from './markdown.ts';
import { oembed } from './oembed.ts';
import { padded } from './padded.ts';
import { page } from './page.ts';
import { responsive } from './responsive.ts';
import { shortcode } from './shortcode.ts';

/** Every form of code, in the order in which they are offered. One file each. */
export const FORMS = [
  responsive,
  padded,
  fixed,
  cover,
  coverScript,
  shortcode,
  markdown,
  jsx,
  link,
  page,
  oembed,
  jsonld,
] as const;

export type CodeFormId = (typeof FORMS)[number]['id'];

export const formOf = (id: CodeFormId): (typeof FORMS)[number] => FORMS.find((form) => form.id === id)!;
export const isCodeForm = (id: string): id is CodeFormId => FORMS.some((form) => form.id === id);
