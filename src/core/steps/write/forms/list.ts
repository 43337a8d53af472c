import type { CodeForm } from '../form.ts';
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

/** The form that is taken where nobody chose one. */
export const USUAL_FORM = responsive.id;

export type CodeFormId = (typeof FORMS)[number]['id'];

const BY_ID = new Map<string, CodeForm<CodeFormId>>(FORMS.map((form) => [form.id, form]));
/** The form of an id. */
export const formOf = (id: CodeFormId): CodeForm<CodeFormId> => BY_ID.get(id)!;
/** Whether a word from outside is the id of a form. */
export const isCodeForm = (id: string): id is CodeFormId => BY_ID.has(id);

/** The form in which the preview shows a form. */
export function shownAs(id: CodeFormId): CodeFormId {
  const as = formOf(id).shownAs ?? USUAL_FORM;
  return isCodeForm(as) ? as : USUAL_FORM;
}

/** A form of code in which an embed could be given instead, and what of the embed it leads to. */
export interface Instead {
  form: CodeFormId;
  leads: NonNullable<CodeForm['insteadOf']>;
  code: () => string;
}

/** What is offered where a page editor takes something out: what keeps a frame first, then what only leads to it. */
export const offeredInstead = (codeIn: (form: CodeFormId) => string): Instead[] =>
  [...BY_ID.values()].flatMap(({ id, insteadOf }) => (insteadOf ? [{ form: id, leads: insteadOf, code: () => codeIn(id) }] : []));
