import type { ReactElement } from 'react';
import { LENGTHS, type Length, type Sought } from '../../../core/keeping/shelf/pool.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { Choice } from '../../ui/Choice.tsx';
import { t } from '../../../messages/t.ts';

interface Props {
  embeds: readonly SavedEmbed[];
  sought: Sought;
  set: (sought: Sought) => void;
}

const LENGTH_WORDS: Record<Length, string> = {
  short: t('under 5 minutes'),
  middle: t('5 to 30 minutes'),
  long: t('30 minutes and more'),
};

/** Words of a choice, with one for all of them. */
const orAll = (words: Iterable<readonly [string, string]>): Readonly<Record<string, string>> => ({
  '': t('all'),
  ...Object.fromEntries(words),
});

/** What is offered of the Shelf: by kind, site, tag, length and day. */
export function PoolFilters({ embeds, sought, set }: Props): ReactElement {
  const sites = useAppSelector(selectSites);
  const kinds = [...new Set(embeds.map(({ kind }) => kind))].flatMap((kind) =>
    KIND_WORDS[kind] ? [[kind, KIND_WORDS[kind]] as const] : [],
  );
  const tags = [...new Set(embeds.flatMap((one) => one.tags))].sort();
  const lengths = (Object.keys(LENGTHS) as Length[]).map((length) => [length, LENGTH_WORDS[length]] as const);
  return (
    <div className="order-how">
      <Choice label={t('Kind')} value={sought.kind} words={orAll(kinds)} change={(kind) => set({ ...sought, kind })} />
      <Choice
        label={t('Site')}
        value={sought.site}
        words={orAll(sites.map(({ id, name }) => [id, name]))}
        change={(site) => set({ ...sought, site })}
      />
      {tags.length > 0 && (
        <Choice
          label={t('Tag')}
          value={sought.tag}
          words={orAll(tags.map((tag) => [tag, tag]))}
          change={(tag) => set({ ...sought, tag })}
        />
      )}
      <Choice
        label={t('Length')}
        value={sought.length}
        words={orAll(lengths)}
        change={(length) => set({ ...sought, length: length })}
      />
      <label className="choice">
        {t('Changed since')}{' '}
        <input type="date" value={sought.since} onChange={({ target }) => set({ ...sought, since: target.value })} />
      </label>
    </div>
  );
}
