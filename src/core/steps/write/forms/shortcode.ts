import mustache, { type TemplateSpans } from 'mustache';
import { escapeAt, placeAfter } from '../place.ts';
import { frameAddress, linkAddress } from '../address.ts';
import { defineForm, type WriteInput } from '../form.ts';
import { boxHeight } from '../../../model/box.ts';

/** What is written where a site has no template of its own. */
export const USUAL_SHORTCODE = '[frame address="{{frame}}" width="{{width}}" height="{{height}}" title="{{title}}"]';

export const shortcode = defineForm({
  id: 'shortcode',
  label: 'Short code',
  help: 'What the site turns into an embed itself, by the template that the site has.',
  language: 'text',
  carries: 'nothing',
  frameless: true,
  file: { ending: 'txt', type: 'text/plain' },
  write: (input) => [{ pieces: [{ text: fill(input.site?.shortcode ?? USUAL_SHORTCODE, valuesOf(input)), origin: 'item' }] }],
});

/** Names that a template may use. `{{{…}}}` is as safe as `{{…}}`. */
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
  try {
    return laid(mustache.parse(template), new Map(Object.entries(values).map(([name, value]) => [name, String(value)])));
  } catch {
    return template;
  }
}

/** The template's parts in order, each value escaped for where it stands, which what went before tells. */
function laid(parts: TemplateSpans, values: ReadonlyMap<string, string>, before = ''): string {
  let text = '';
  for (const [type, word, , , inner] of parts) {
    const value = values.get(word) ?? '';
    if (type === 'text') text += word;
    else if (type === 'name' || type === '&') text += escapeAt(placeAfter(before + text), value);
    else if (Array.isArray(inner) && (type === '#') === (value !== '')) text += laid(inner, values, before + text);
  }
  return text;
}
