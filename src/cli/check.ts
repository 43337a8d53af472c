import { canKeep } from '../core/live/keep.ts';
import { bringIn, keepEmbed, makeEmbed, type Embed, type Recognised } from '../core/pipeline.ts';
import type { Context } from '../core/context.ts';
import { siblingsOf } from '../core/model/sibling.ts';
import { sayFinding, sayRefusal, sayRepair } from '../messages/en.ts';
import { openBook, readSite, readText } from './io.ts';

/** Checks every embed of a code or a page as it stands; 1 where one cannot be used, or would go wrong. */
export async function check(argument: string, options: { json?: boolean; site?: string; hosts?: string }): Promise<number> {
  const text = await readText(argument);
  const book = openBook(options.hosts);
  const site = options.site === undefined ? null : readSite(options.site);
  const all = bringIn(text, book);
  const found = all.map((one) => ({
    ...one,
    embed: one.item ? asItStands(text, one, { book, site, facts: {}, siblings: siblingsOf(all, one) }) : null,
  }));
  if (options.json) console.log(JSON.stringify(found.map(toJson), null, 2));
  else found.forEach((one) => console.log(toLines(one)));
  return found.every(({ embed }) => embed !== null && embed.findings.every(({ severity }) => severity !== 'error')) ? 0 : 1;
}

type Found = Recognised & { embed: Embed | null };

function asItStands(text: string, { candidate, item }: Recognised, context: Context): Embed {
  return canKeep(candidate)
    ? keepEmbed({ text, candidate }, item!, item!.settings, context)
    : makeEmbed(item!, item!.settings, { ...context, form: candidate.source === 'link' ? 'link' : 'responsive' });
}

function toJson({ candidate: { range, source, repairs }, item, refusal, embed }: Found): object {
  if (!embed) return { range, source, repairs, reason: { ...refusal, sentence: sayRefusal(refusal!) }, findings: [] };
  return {
    range,
    source,
    repairs,
    item,
    findings: embed.findings.map((finding) => ({ ...finding, sentence: sayFinding(finding) })),
  };
}

function toLines({ candidate: { range, repairs }, item, refusal, embed }: Found): string {
  const what = item ? `${item.host ?? 'no host'} · ${item.kind} · ${item.id ?? item.canonical}` : sayRefusal(refusal);
  return [
    `${range.join('–')}: ${what}`,
    ...repairs.map((repair) => `  put right: ${sayRepair(repair)}`),
    ...(embed?.findings ?? []).map((finding) => `  ${finding.severity}: ${sayFinding(finding)}`),
  ].join('\n');
}
