import type { Context } from '../core/context.ts';
import { canKeep } from '../core/live/keep.ts';
import { siblingsOf } from '../core/model/sibling.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed, type Recognised } from '../core/pipeline.ts';
import { sayFinding } from '../messages/findings.ts';
import { foundAsData } from './read.ts';

/** A candidate of a code or a page with its embed as it stands; null where it cannot be used. */
export type Checked = Recognised & { embed: Embed | null };

/** Every embed of a text as it stands there, with what would go wrong. */
export function checkText(text: string, { book, site }: Pick<Context, 'book' | 'site'>): Checked[] {
  const all = bringIn(text, book);
  return all.map((one) => ({
    ...one,
    embed: one.item ? asItStands(text, one, { book, site, facts: {}, siblings: siblingsOf(all, one) }) : null,
  }));
}

function asItStands(text: string, { candidate, item }: Recognised, context: Context): Embed {
  return canKeep(candidate)
    ? keepEmbed({ text, candidate }, item!, item!.settings, context)
    : makeEmbed(item!, item!.settings, { ...context, form: candidate.source === 'link' ? 'link' : 'responsive' });
}

/** The same as plain data, each finding with its sentence. */
export const checkedAsData = (one: Checked): object => ({
  ...foundAsData(one),
  findings: one.embed?.findings.map((finding) => ({ ...finding, sentence: sayFinding(finding) })) ?? [],
});
