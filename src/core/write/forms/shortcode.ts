import mustache from 'mustache';
import { frameAddress, linkAddress } from '../address.ts';
import { defineForm, type WriteInput } from '../form.ts';
import { boxHeight } from '../../model/box.ts';

/** What is written where a site has no template of its own. */
export const USUAL_SHORTCODE = '[frame address="{{frame}}" width="{{width}}" height="{{height}}" title="{{title}}"]';

export const shortcode = defineForm({
  id: 'shortcode',
  label: 'Short code',
  help: 'What the site turns into an embed itself, by the template that the site has.',
  language: 'text',
  carries: 'nothing',
  frameless: true,
  write: (input) => [{ pieces: [{ text: fill(input.site?.shortcode ?? USUAL_SHORTCODE, valuesOf(input)), origin: 'item' }] }],
});

/** Names that a template may use. Every value is made safe beforehand, so that `{{{…}}}` is as safe as `{{…}}`. */
export const SHORTCODE_NAMES = ['link', 'frame', 'id', 'title', 'width', 'height', 'ratio', 'start', 'end', 'caption'] as const;

function valuesOf({ item, plan, facts }: WriteInput): Record<(typeof SHORTCODE_NAMES)[number], string | number> {
  const text = (pieces: readonly { text: string }[]): string => pieces.map((piece) => piece.text).join('');
  const { title, start, end, caption } = plan.frame;
  return {
    link: text(linkAddress(plan)),
    frame: item.frame === null ? '' : text(frameAddress(plan)),
    id: item.id ?? '',
    title: title ?? facts.title ?? '',
    width: plan.box.width,
    height: boxHeight(plan.box),
    ratio: plan.box.height.by === 'ratio' ? plan.box.height.ratio : '',
    start: start ?? '',
    end: end ?? '',
    caption: caption ?? '',
  };
}

/** A template that cannot be read is given back as it is. */
function fill(template: string, values: Record<string, string | number>): string {
  const safe = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, escapeValue(String(value))]));
  try {
    return mustache.render(template, safe, {}, { escape: (value: string) => value });
  } catch {
    return template;
  }
}

/** Nothing that ends the value, the short code, or begins markup. */
const escapeValue = (text: string): string => text.replace(/[<>"[\]\n\r]/g, (c) => `&#${c.charCodeAt(0)};`);
