import { Button, LinearProgress } from '@mui/material';
import type { ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import { framesOf } from '../../../core/many/sweep/frames.ts';
import type { Site } from '../../../core/model/site.ts';
import { selectBook } from '../../state/selectors.ts';
import type { Store } from '../../state/store.ts';
import type { SweepRun, SweepState } from '../../sweep/run.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  state: SweepState;
  run: SweepRun;
  embeds: readonly SweptEmbed[];
  /** The site as which visitors come. */
  site: Site | null;
}

/** Asks the hosts whether what is embedded is still there. */
export function AskFrames({ state: { phase, asking, reached }, run, embeds, site }: Props): ReactElement | null {
  const store = useStore() as Store;
  if (embeds.length === 0) return null;
  const ask = (): void => {
    void run.askFrames(framesOf(embeds, { book: selectBook(store.getState()), site }), site?.address ?? location.origin);
  };
  if (asking)
    return (
      <div className="mb-3 grid justify-items-start gap-1 [&_.MuiLinearProgress-root]:w-full">
        <span role="status">{t('{asked} of {toAsk, plural, one {# frame} other {# frames}} asked for …', asking)}</span>
        <LinearProgress
          variant="determinate"
          value={(asking.asked / asking.toAsk) * 100}
          aria-label={t('How far the asking is')}
        />
        <Button onClick={run.stopAsking}>{t('Stop asking')}</Button>
      </div>
    );
  return (
    <div className="mb-3 grid justify-items-start gap-1">
      <Button variant="outlined" disabled={phase !== 'done'} onClick={ask}>
        {reached ? t('Ask the hosts again') : t('Ask the hosts what is gone')}
      </Button>
      <small>{t('Each frame once, one at a time for each host.')}</small>
    </div>
  );
}
