import { bringIn } from '../core/pipeline.ts';
import { sayRefusal, sayRepair } from '../messages/reading.ts';
import { foundAsData } from '../programs/read.ts';
import { openBook, readText } from './io.ts';
import { t } from '../messages/t.ts';

/** Prints every candidate of the text; each line of a list is read with the rest. */
export async function read(argument: string, options: { json?: boolean; hosts?: string }): Promise<number> {
  const found = bringIn(await readText(argument), openBook(options.hosts));
  if (options.json) console.log(JSON.stringify(found.map(foundAsData), null, 2));
  else found.forEach((one) => console.log(toLine(one)));
  return found.every((one) => one.item) ? 0 : 1;
}

type Found = ReturnType<typeof bringIn>[number];

function toLine({ candidate: { range, repairs }, item, refusal }: Found): string {
  const what = item
    ? `${item.host ?? t('no host')} · ${item.kind} · ${item.form} · ${item.id ?? item.canonical}`
    : sayRefusal(refusal);
  return [`${range.join('–')}: ${what}`, ...repairs.map((r) => t('  put right: {repair}', { repair: sayRepair(r) }))].join('\n');
}
