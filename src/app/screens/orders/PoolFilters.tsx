import type { ReactElement } from 'react';
import { LENGTHS, type Length, type Sought } from '../../../core/keeping/shelf/pool.ts';
import type { SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';
import { ChoiceField, type Options } from '../../fields/ChoiceField.tsx';
import { DateField } from '../../fields/DateField.tsx';

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
const orAll = (words: Options): Options => [['', t('all')], ...words];

/** What is offered of the Shelf: by kind, site, tag, length and day. */
export function PoolFilters({ embeds, sought, set }: Props): ReactElement {
  const sites = useAppSelector(selectSites);
  const kinds = [...new Set(embeds.map(({ kind }) => kind))].flatMap((kind) =>
    KIND_WORDS[kind] ? [[kind, KIND_WORDS[kind]] as const] : [],
  );
  const tags = [...new Set(embeds.flatMap((one) => one.tags))].sort();
  const lengths = (Object.keys(LENGTHS) as Length[]).map((length) => [length, LENGTH_WORDS[length]] as const);
  return (
    <div className="line gap-x-3 gap-y-1">
      <ChoiceField label={t('Kind')} value={sought.kind} options={orAll(kinds)} set={(kind) => set({ ...sought, kind })} />
      <ChoiceField
        label={t('Site')}
        value={sought.site}
        options={orAll(sites.map(({ id, name }) => [id, name]))}
        set={(site) => set({ ...sought, site })}
      />
      {tags.length > 0 && (
        <ChoiceField
          label={t('Tag')}
          value={sought.tag}
          options={orAll(tags.map((tag) => [tag, tag]))}
          set={(tag) => set({ ...sought, tag })}
        />
      )}
      <ChoiceField
        label={t('Length')}
        value={sought.length}
        options={orAll(lengths)}
        set={(length) => set({ ...sought, length: length })}
      />
      <DateField label={t('Changed since')} value={sought.since} set={(since) => set({ ...sought, since })} />
    </div>
  );
}
