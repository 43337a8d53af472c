import type { Context } from '../../context.ts';
import { aboutOf, type Facts, type Item } from '../../model/item.ts';
import type { Embed } from '../../pipeline.ts';
import { embedOf } from './embedOf.ts';
import { factsKept, type SavedEmbed } from './saved.ts';
import type { Work } from './work.ts';

/** What the making of an embed says; the rest of what is kept of it belongs to the Shelf. */
export type Made = Pick<SavedEmbed, 'id' | 'work' | 'title' | 'host' | 'kind' | 'item' | 'code' | 'facts' | 'look'>;

interface Found {
  item: Item | null;
  embed: Embed | null;
  facts: Facts;
}

/** A work as it is kept, with what was made of it. */
export function recordOf(work: Work, { item, embed, facts }: Found): Made {
  const address = item?.canonical.replace(/^https?:\/\//, '') ?? work.text.slice(0, 80);
  return {
    id: work.id,
    work,
    title: String(embed?.settings.title ?? facts.title ?? address),
    host: item?.host ?? '',
    kind: item?.kind ?? '',
    item: item ? aboutOf(item) : '',
    code: embed?.code.text ?? '',
    facts: factsKept(facts),
    look: [...new Set(embed?.findings.filter(({ severity }) => severity === 'error').map(({ code }) => code))],
  };
}

/** A work made anew: its code as it would be now. */
export function remade(work: Work, context: Context): Made {
  const embed = embedOf(work, context);
  return recordOf(work, { item: embed?.item ?? null, embed, facts: context.facts });
}
