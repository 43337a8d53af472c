import { own } from '../../model/own.ts';
import type { PlanEntry, ScriptPlan } from '../../model/plan.ts';
import type { Asked } from './asked.ts';
import { fillPacks } from './packs.ts';

/** The share link with those of its parameters that nobody knows. */
function withUnknown({ canonical, unknown }: Asked['item']): string {
  const raw = (place: 'query' | 'fragment'): string =>
    unknown
      .filter((p) => p.in === place)
      .map((p) => p.raw)
      .join('&');
  const [query, fragment] = [raw('query'), raw('fragment')];
  return canonical + (query && `?${query}`) + (fragment && `#${fragment}`);
}

const ON_PLACEHOLDER = [
  ['elementId', 'id'],
  ['className', 'class'],
] as const;

/** The host's script code, where the host has no frame to offer. */
export function planScript({ item, settings, card, target }: Asked, entries: readonly PlanEntry[]): ScriptPlan | null {
  const script = target?.target.script;
  if (!card || !script || item.frame !== null) return null;
  const values: Readonly<Record<string, string>> = { ...item.captures, canonical: withUnknown(item) };
  const fill = (template: string): string => template.replace(/\{(\w+)\}/g, (_, name: string) => own(values, name) ?? '');
  const attributes: ScriptPlan['attributes'][number][] = Object.entries(script.attributes).map(([name, template]) => ({
    name,
    value: fill(template),
    origin: 'item',
  }));
  for (const { setting, sent } of entries)
    for (const { in: place, name, value } of sent)
      if (place === 'attribute') attributes.push({ name: script.prefix + name, value, origin: setting });
  for (const { pack, text, origin } of fillPacks({ item, card, target }, entries).values())
    if (pack.in === 'attribute' && text !== '') attributes.push({ name: script.prefix + pack.name, value: text, origin });
  for (const [setting, name] of ON_PLACEHOLDER)
    if (settings[setting] !== undefined) attributes.push({ name, value: String(settings[setting]), origin: setting });
  for (const { name, value } of item.kept.attributes)
    if (!attributes.some((a) => a.name === name)) attributes.push({ name, value: value ?? '', origin: 'item' });
  const title = settings.title === undefined ? '' : String(settings.title);
  return {
    element: script.element,
    attributes,
    picture: script.picture === undefined ? null : { src: fill(script.picture), alt: title },
    text: script.picture === undefined && script.element !== 'div' ? title || item.canonical : null,
    src: script.src,
  };
}
