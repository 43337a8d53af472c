import { Button, LinearProgress } from '@mui/material';
import { useMemo, useState, type ReactElement, type ReactNode } from 'react';
import type { Site } from '../../../core/model/site.ts';
import { GROUPINGS, type Grouping } from '../../../core/many/sweep/groups.ts';
import type { Rules } from '../../../core/many/sweep/rules.ts';
import { sayNumbers } from '../../../messages/sweep.ts';
import { keyOf, type OpenedSite, type SweepRun, type SweepState } from '../../sweep/run.ts';
import { AskFrames } from './AskFrames.tsx';
import { Filters, NO_FILTER, shownBy } from './Filters.tsx';
import { LeftList } from './LeftList.tsx';
import { OnShelf } from './OnShelf.tsx';
import { Outs } from './Outs.tsx';
import { PlaceDetail } from './PlaceDetail.tsx';
import { PutRightList } from './PutRightList.tsx';
import { PlaceList } from './PlaceList.tsx';
import { RuleChoice } from './RuleChoice.tsx';
import { t } from '../../../messages/t.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';

const GROUPED_BY: Record<Grouping, string> = { finding: t('finding'), host: t('host'), item: t('item'), file: t('page') };

interface Props {
  state: SweepState;
  run: SweepRun;
  site: Site | null;
  siteField: ReactNode;
  /** Looks into everything once more. */
  begin: (opened: OpenedSite, rules: Rules) => void;
}

/** What a sweep found, what can be changed of it, and the ways out. */
export function SweepView({ state, run, site, siteField, begin }: Props): ReactElement {
  const { spared, rules, again } = state;
  const { swept, embeds, numbers } = state.listed;
  const [filter, setFilter] = useState(NO_FILTER);
  const [by, setBy] = useState<Grouping | ''>('');
  const [open, setOpen] = useState<string | null>(null);
  const shown = useMemo(() => embeds.filter((embed) => shownBy(filter, embed, again)), [embeds, filter, again]);
  const chosen = useMemo(() => (open === null ? undefined : embeds.find((embed) => keyOf(embed) === open)), [embeds, open]);
  const going = state.phase === 'running' || state.phase === 'paused';
  const changes = useMemo(() => embeds.filter((embed) => embed.change && !spared.has(keyOf(embed))).length, [embeds, spared]);
  return (
    <div className="sweep grid h-full grid-cols-[236px_minmax(0,1fr)_336px] grid-rows-[auto_auto_minmax(0,1fr)] gap-x-4 gap-y-2 px-4 pt-3 pb-0 max-[1151px]:grid-cols-[196px_minmax(0,1fr)_272px] max-[1151px]:gap-x-3 max-desk:block max-desk:h-auto max-desk:p-3 max-desk:*:mb-3 [&_small]:block">
      <header className="line col-span-full gap-x-4 gap-y-2 [&>:last-child]:ml-auto">
        <h1>
          {t('Sweep')} <small>{state.name}</small>
        </h1>
        {siteField}
        <Progress state={state} run={run} />
        <Button onClick={run.clear}>{t('New sweep')}</Button>
      </header>
      <p className="col-span-full m-0" role="status">
        {going
          ? t('{done} of {files, plural, one {# file} other {# files}}. ', { done: state.done, files: state.files.length })
          : ''}
        {sayNumbers(numbers)} {state.note}
        {state.known > 0 &&
          t(' {count, plural, one {One file was} other {# files were}} looked into before the sweep was broken off.', {
            count: state.known,
          })}
        {state.phase === 'cancelled' && t(' Cancelled: only what was found until then is here.')}
        {state.phase === 'broken' && t(' Stopped by a fault of Refenestra. Open the site once more.')}
      </p>
      <Filters numbers={numbers} again={again} filter={filter} change={setFilter} />
      <section className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)] gap-2" aria-label={t('Embeds')}>
        <ChoiceField
          label={t('Put together by')}
          className="sweep-by justify-self-end"
          value={by}
          options={[['', t('nothing')], ...GROUPINGS.map((one) => [one, GROUPED_BY[one]] as const)]}
          set={setBy}
        />
        {filter.only === 'left' ? (
          <LeftList swept={swept} />
        ) : filter.only === 'putRight' ? (
          <PutRightList putRight={again?.putRight ?? []} />
        ) : (
          <PlaceList key={by} embeds={shown} by={by} spared={spared} spare={run.spare} open={open} choose={setOpen} />
        )}
      </section>
      <aside className="min-h-0 overflow-y-auto pb-4" aria-label={t('What is changed')}>
        {chosen ? (
          <PlaceDetail embed={chosen} files={state.files} close={() => setOpen(null)} />
        ) : (
          <>
            <AskFrames state={state} run={run} embeds={embeds} site={site} />
            <RuleChoice
              asked={state.reached !== null}
              rules={rules}
              numbers={numbers}
              site={site}
              follow={(next) => begin(state, next)}
            />
            <Outs state={state} run={run} changes={changes} again={(files) => begin({ ...state, files }, rules)} />
            {site && !going && <OnShelf key={site.id} state={state} embeds={embeds} site={site} />}
          </>
        )}
      </aside>
    </div>
  );
}

function Progress({ state: { phase, done, files }, run }: Pick<Props, 'state' | 'run'>): ReactElement | null {
  if (phase !== 'running' && phase !== 'paused') return null;
  return (
    <div className="grid grid-cols-[160px_auto_auto] items-center gap-2">
      <LinearProgress variant="determinate" value={(done / files.length) * 100} aria-label={t('How far the sweep is')} />
      {phase === 'running' ? (
        <Button onClick={run.pause}>{t('Pause')}</Button>
      ) : (
        <Button onClick={run.resume}>{t('Go on')}</Button>
      )}
      <Button variant="outlined" onClick={run.cancel}>
        {t('Cancel')}
      </Button>
    </div>
  );
}
