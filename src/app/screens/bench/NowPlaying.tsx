import type { ReactElement } from 'react';
import { showTime } from '../../../core/model/time.ts';
import { playOrPause } from '../../commands/playOrPause.ts';
import { selectCard, selectItem } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { PaneAjar, PaneShut } from '../../ui/icons.tsx';
import { useCommand } from '../../ui/useCommand.ts';
import { t } from '../../../messages/t.ts';

/** What the player of the preview does at the moment, as it reports it. */
export function NowPlaying(): ReactElement {
  const { playing, time, muted, page } = useAppSelector((state) => state.view.player);
  const { can, run } = useCommand(playOrPause);
  const silent = useAppSelector(
    (state) => Object.keys(selectCard(state)?.player?.events ?? {}).length === 0 && selectItem(state)?.form !== 'file',
  );
  const sheet = useAppSelector((state) => (selectItem(state)?.kind === 'slideshow' ? t('slide') : t('page')));
  const words = [
    page !== undefined
      ? t('{sheet} {page} is open', { sheet, page })
      : time === undefined
        ? silent
          ? t('the host does not report what happens in it')
          : t('no report from the player yet')
        : playing
          ? t('playing')
          : t('standing still'),
    ...(time === undefined ? [] : [t('at {time}', { time: showTime(Math.floor(time)) })]),
    ...(muted === undefined ? [] : [muted ? t('muted') : t('with sound')]),
  ];
  const nothing = useAppSelector((state) => selectItem(state) === null);
  if (nothing) return <div className="now" />;
  return (
    <div className="now" data-playing={playing}>
      {can && (
        <button
          type="button"
          className="grid h-6.5 w-6.5 cursor-pointer place-items-center border-0 bg-transparent text-green"
          aria-label={playing ? t('Pause the preview') : t('Play the preview without sound')}
          onClick={run}
        >
          {playing ? <PaneShut /> : <PaneAjar />}
        </button>
      )}
      <span>{t('In the preview: {words}', { words: words.join(', ') })}</span>
    </div>
  );
}
