import { useMemo, type ReactElement } from 'react';
import { STATES } from '../../../core/keeping/shelf/saved.ts';
import type { Entry, Narrowing } from '../../../core/keeping/shelf/search.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import { STATE_NAMES } from '../../../messages/shelf.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { DateField } from '../../fields/DateField.tsx';
import { SearchField } from '../../fields/SearchField.tsx';
import { Tick } from '../../fields/Tick.tsx';

interface Props {
  entries: readonly Entry[];
  narrowing: Narrowing;
  set: (narrowing: Narrowing) => void;
  bySite: boolean;
  setBySite: (on: boolean) => void;
  pictured: boolean;
  setPictured: (on: boolean) => void;
}

interface There {
  kinds: Set<string>;
  hosts: Set<string>;
  sites: Set<string>;
}

function whatThereIs(entries: readonly Entry[]): There {
  const there: There = { kinds: new Set(), hosts: new Set(), sites: new Set() };
  for (const { embed } of entries) {
    there.kinds.add(embed.kind);
    there.hosts.add(embed.host);
    there.sites.add(embed.work.site);
  }
  return there;
}

/** Search as one types, and what the list is narrowed by. Only what there is can be chosen. */
export function Narrow({ entries, narrowing, set, bySite, setBySite, pictured, setPictured }: Props): ReactElement {
  const cards = useAppSelector(selectCards);
  const sites = useAppSelector(selectSites);
  const there = useMemo(() => whatThereIs(entries), [entries]);
  const put = (part: Partial<Narrowing>): void => set({ ...narrowing, ...part });
  return (
    <form
      className="line flex-1 [&_.field:not(.search)]:flex-[0_1_104px] [&_.field:not(.search)]:flex-nowrap [&_.field:not(.search)]:text-quiet [&_.field[data-label='beside']]:flex-none [&_.search]:flex-[1_1_130px]"
      role="search"
      onSubmit={(event) => event.preventDefault()}
    >
      <SearchField
        label={t('Search the Shelf')}
        placeholder={t('Titles, tags, links …')}
        value={narrowing.text}
        set={(text) => put({ text })}
      />
      <Choice
        label={t('Kind')}
        value={narrowing.kind}
        set={(kind) => put({ kind })}
        options={Object.entries(KIND_NAMES).filter(([id]) => there.kinds.has(id))}
      />
      <Choice
        label={t('Host')}
        value={narrowing.host}
        set={(host) => put({ host })}
        options={cards.filter(({ id }) => there.hosts.has(id)).map(({ id, name }) => [id, name])}
      />
      <Choice
        label={t('Site')}
        value={narrowing.site}
        set={(site) => put({ site })}
        options={sites.filter(({ id }) => there.sites.has(id)).map(({ id, name }) => [id, name])}
      />
      <Choice
        label={t('State')}
        value={narrowing.state}
        set={(state) => put({ state: state as Narrowing['state'] })}
        options={STATES.map((id) => [id, STATE_NAMES[id]])}
      />
      <DateField label={t('from')} value={narrowing.from} set={(from) => put({ from })} />
      <DateField label={t('to')} value={narrowing.to} set={(to) => put({ to })} />
      <Tick label={t('by site')} on={bySite && !pictured} disabled={pictured} set={setBySite} />
      <Tick label={t('as pictures')} on={pictured} set={setPictured} />
    </form>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  set: (value: string) => void;
  options: readonly (readonly [string, string])[];
}

const Choice = ({ label, value, set, options }: ChoiceProps): ReactElement => (
  <ChoiceField
    label={label}
    labelled="hidden"
    narrows={value !== ''}
    value={value}
    options={[['', t('{label}: all', { label })], ...options]}
    set={set}
  />
);
