import type { Context } from '../core/context.ts';
import { siblingsIn } from '../core/model/sibling.ts';
import { canKeep } from '../core/live/keep.ts';
import { asItStands, cutOut } from '../core/many/sweep/change.ts';
import { bringIn, makeEmbed, type Embed, type Recognised } from '../core/pipeline.ts';
import type { Finding } from '../core/steps/check/finding.ts';
import { sayFinding } from '../messages/findings.ts';
import { foundAsData } from './read.ts';

/** A candidate of a code or a page with its embed as it stands; null where it cannot be used. */
export type Checked = Recognised & { embed: Embed | null };

/** Every embed of a text as it stands there, with what would go wrong. */
export function checkText(text: string, { book, site }: Pick<Context, 'book' | 'site'>): Checked[] {
  const all = bringIn(text, book);
  const siblingsOf = siblingsIn(all);
  return all.map((one) => ({
    ...one,
    embed: one.item ? embedAt(text, one, { book, site, facts: {}, siblings: siblingsOf(one) }) : null,
  }));
}

/** Cut out of its text: with the whole text around each, a page of many frames would take quadratic time. */
function embedAt(text: string, { candidate, item }: Recognised, context: Context): Embed {
  if (!canKeep(candidate))
    return makeEmbed(item!, item!.settings, { ...context, form: candidate.source === 'link' ? 'link' : 'responsive' });
  const embed = asItStands(cutOut(text, candidate, item!, ''), context);
  const [from] = candidate.range;
  const inWhole = (finding: Finding): Finding =>
    finding.place ? { ...finding, place: [finding.place[0] + from, finding.place[1] + from] } : finding;
  return { ...embed, findings: embed.findings.map(inWhole) };
}

/** The same as plain data, each finding with its sentence. */
export const checkedAsData = (one: Checked): object => ({
  ...foundAsData(one),
  findings: one.embed?.findings.map((finding) => ({ ...finding, sentence: sayFinding(finding) })) ?? [],
});
