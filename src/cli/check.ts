import { sayFinding } from '../messages/findings.ts';
import { sayRefusal, sayRepair } from '../messages/reading.ts';
import { checkedAsData, checkText, type Checked } from '../programs/check.ts';
import { openBook, readSite, readText } from './io.ts';
import { t } from '../messages/t.ts';

/** Checks every embed of a code or a page as it stands; 1 where one cannot be used, or would go wrong. */
export async function check(argument: string, options: { json?: boolean; site?: string; hosts?: string }): Promise<number> {
  const text = await readText(argument);
  const book = openBook(options.hosts);
  const site = options.site === undefined ? null : readSite(options.site);
  const found = checkText(text, { book, site });
  if (options.json) console.log(JSON.stringify(found.map(checkedAsData), null, 2));
  else found.forEach((one) => console.log(toLines(one)));
  return found.every(({ embed }) => embed !== null && embed.findings.every(({ severity }) => severity !== 'error')) ? 0 : 1;
}

function toLines({ candidate: { range, repairs }, item, refusal, embed }: Checked): string {
  const what = item ? `${item.host ?? t('no host')} · ${item.kind} · ${item.id ?? item.canonical}` : sayRefusal(refusal);
  return [
    `${range.join('–')}: ${what}`,
    ...repairs.map((repair) => t('  put right: {repair}', { repair: sayRepair(repair) })),
    ...(embed?.findings ?? []).map((finding) => `  ${finding.severity}: ${sayFinding(finding)}`),
  ].join('\n');
}
