import type { ReactElement } from 'react';
import { hasOne, type Again } from '../../../core/many/sweep/again.ts';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import type { Numbers } from '../../../core/many/sweep/numbers.ts';
import type { Severity } from '../../../core/steps/check/finding.ts';
import { SEVERITY_WORDS } from '../../../messages/severity.ts';
import { sayFile, sayHost, sayShortly } from '../../../messages/sweep.ts';
import { selectBook } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { showMoment, showNumber, t } from '../../../messages/t.ts';
import { SearchField } from '../../fields/SearchField.tsx';

/** Which embeds are shown. `host` is undefined for all, and null for those of no known host. */
export interface Filter {
  only: 'all' | 'changes' | 'left' | 'appeared' | 'cameBack' | 'putRight';
  finding: string | undefined;
  host: string | null | undefined;
  file: string | undefined;
  text: string;
}

export const NO_FILTER: Filter = { only: 'all', finding: undefined, host: undefined, file: undefined, text: '' };

/** Whether an embed is one of those. */
export function shownBy({ only, finding, host, file, text }: Filter, embed: SweptEmbed, again: Again | null): boolean {
  if (only === 'changes' && !embed.change) return false;
  if ((only === 'appeared' || only === 'cameBack') && !(again && hasOne(embed, again[only]))) return false;
  if (finding !== undefined && !embed.findings.some(({ code }) => code === finding)) return false;
  if (host !== undefined && embed.host !== host) return false;
  if (file !== undefined && embed.file !== file) return false;
  const wanted = text.trim().toLowerCase();
  return wanted === '' || `${embed.file} ${embed.item} ${embed.title}`.toLowerCase().includes(wanted);
}

interface Props {
  numbers: Numbers;
  again: Again | null;
  filter: Filter;
  change: (filter: Filter) => void;
}

/** What was found in numbers; each bar shows the places that it counts, and pressed again all of them. */
export function Filters({ numbers, again, filter, change }: Props): ReactElement {
  const book = useAppSelector(selectBook);
  const nameOf = (id: string): string | undefined => book.byId.get(id)?.card.name;
  const most = Math.max(1, ...numbers.findings.map(({ places }) => places));
  const heaviest = numbers.pages[0]?.loads ?? 1;
  const all = Math.max(1, ...numbers.hosts.map(({ places }) => places));
  const bars = (rows: readonly (readonly [Filter['only'], string, number])[]): ReactElement[] =>
    rows.map(([only, words, places]) => (
      <Bar
        key={only}
        words={words}
        places={places}
        of={0}
        pressed={filter.only === only}
        press={() => change({ ...filter, only })}
      />
    ));
  return (
    <nav className="min-h-0 overflow-y-auto pb-4 [&_.field]:mb-2 [&_.field]:w-full" aria-label={t('Which are shown')}>
      <SearchField label={t('Find in places and items')} value={filter.text} set={(text) => change({ ...filter, text })} />
      <div role="group" aria-label={t('All, or only some')}>
        {bars([
          ['all', t('All embeds'), numbers.embeds],
          ['changes', t('To be changed'), numbers.changes],
          ['left', t('Left as it is'), numbers.left],
        ])}
      </div>
      {again && (
        <div role="group" aria-labelledby="sweep-since">
          <h2 id="sweep-since">{t('Since {moment}', { moment: showMoment(again.at) })}</h2>
          {bars([
            ['appeared', t('New'), again.appeared.size],
            ['cameBack', t('Came back'), again.cameBack.size],
            ['putRight', t('Put right'), again.putRight.length],
          ])}
        </div>
      )}
      <div role="group" aria-labelledby="sweep-found">
        <h2 id="sweep-found">{t('Findings')}</h2>
        {numbers.findings.map(({ code, severity, example, places, after }) => (
          <Bar
            key={code}
            words={sayShortly(example)}
            tone={severity}
            note={`${SEVERITY_WORDS[severity]}${after < places ? t(', {after} after the changes', { after }) : ''}`}
            places={places}
            after={after}
            of={most}
            pressed={filter.finding === code}
            press={() => change({ ...filter, finding: filter.finding === code ? undefined : code })}
          />
        ))}
      </div>
      <div role="group" aria-labelledby="sweep-hosts">
        <h2 id="sweep-hosts">{t('Hosts')}</h2>
        {numbers.hosts.map(({ host, places, loads, loadsAfter }) => (
          <Bar
            key={String(host)}
            words={sayHost({ host }, nameOf)}
            note={
              loadsAfter < loads
                ? t('loads unasked: {loads}, after the changes {loadsAfter}', { loads, loadsAfter })
                : t('loads unasked: {loads}', { loads })
            }
            places={places}
            of={all}
            pressed={filter.host === host}
            press={() => change({ ...filter, host: filter.host === host ? undefined : host })}
          />
        ))}
      </div>
      {numbers.pages.length > 0 && (
        <div role="group" aria-labelledby="sweep-pages">
          <h2 id="sweep-pages">{t('Pages that load most unasked')}</h2>
          {numbers.pages.map(({ file, loads, loadsAfter }) => (
            <Bar
              key={file}
              words={sayFile(file)}
              note={loadsAfter < loads ? t('{loadsAfter} after the changes', { loadsAfter }) : ''}
              places={loads}
              after={loadsAfter}
              of={heaviest}
              pressed={filter.file === file}
              press={() => change({ ...filter, file: filter.file === file ? undefined : file })}
            />
          ))}
        </div>
      )}
    </nav>
  );
}

/** By what it counts. */
const FILL: Record<Severity, string> = { error: 'fill-brick', warning: 'fill-amber', note: 'fill-green' };

interface BarProps {
  words: string;
  note?: string;
  tone?: Severity;
  places: number;
  after?: number;
  /** What a full bar stands for; 0 for none. */
  of: number;
  pressed: boolean;
  press: () => void;
}

function Bar({ words, note, tone, places, after = places, of, pressed, press }: BarProps): ReactElement {
  return (
    <button
      type="button"
      className="sweep-bar grid min-h-7 w-full grid-cols-[minmax(0,1fr)_auto] gap-x-2 gap-y-0 border-l-3 border-l-transparent px-2 py-1 text-left hover:bg-green-wash aria-pressed:border-l-green aria-pressed:bg-green-wash"
      aria-pressed={pressed}
      onClick={press}
    >
      <span>{words}</span>
      <b className="tabular-nums">{showNumber(places)}</b>
      {of > 0 && (
        <svg className="col-span-full h-1 w-full" viewBox="0 0 100 4" preserveAspectRatio="none" aria-hidden="true">
          <rect className="fill-hair" width={(places / of) * 100} height="4" />
          <rect className={FILL[tone ?? 'note']} width={(after / of) * 100} height="4" />
        </svg>
      )}
      {note && <small className="col-span-full">{note}</small>}
    </button>
  );
}
