import type { ReactElement } from 'react';
import { showTime } from '../../../core/model/time.ts';
import { playOrPause } from '../../commands/playOrPause.ts';
import { selectCard, selectItem } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { PaneAjar, PaneShut } from '../../ui/icons.tsx';
import { useCommand } from '../../ui/useCommand.ts';

/** What the player of the preview does at the moment, as it reports it. */
export function NowPlaying(): ReactElement {
  const { playing, time, muted, page } = useAppSelector((state) => state.view.player);
  const { can, run } = useCommand(playOrPause);
  const silent = useAppSelector(
    (state) => Object.keys(selectCard(state)?.player?.events ?? {}).length === 0 && selectItem(state)?.form !== 'file',
  );
  const sheet = useAppSelector((state) => (selectItem(state)?.kind === 'slideshow' ? 'slide' : 'page'));
  const words = [
    page !== undefined
      ? `${sheet} ${page} is open`
      : time === undefined
        ? silent
          ? 'the host does not report what happens in it'
          : 'no report from the player yet'
        : playing
          ? 'playing'
          : 'standing still',
    ...(time === undefined ? [] : [`at ${showTime(Math.floor(time))}`]),
    ...(muted === undefined ? [] : [muted ? 'muted' : 'with sound']),
  ];
  const nothing = useAppSelector((state) => selectItem(state) === null);
  if (nothing) return <div className="now" />;
  return (
    <div className="now" data-playing={playing}>
      {can && (
        <button
          type="button"
          className="now-press"
          aria-label={playing ? 'Pause the preview' : 'Play the preview without sound'}
          onClick={run}
        >
          {playing ? <PaneShut /> : <PaneAjar />}
        </button>
      )}
      <span>In the preview: {words.join(', ')}</span>
    </div>
  );
}
