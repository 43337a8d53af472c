import type { ReactElement } from 'react';
import { useStore } from 'react-redux';
import { showTime } from '../../../core/model/time.ts';
import { askPlayer } from '../../state/playerLink.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { PaneAjar, PaneShut } from '../../ui/icons.tsx';

/** What the player of the preview does at the moment, as it reports it. */
export function NowPlaying(): ReactElement {
  const store = useStore() as Store;
  const { playing, time, muted, page } = useAppSelector((state) => state.view.player);
  const can = useAppSelector(() => askPlayer(store, 'play', { act: false }));
  const words = [
    page !== undefined
      ? `page ${page} is open`
      : time === undefined
        ? 'no report from the player yet'
        : playing
          ? 'playing'
          : 'standing still',
    ...(time === undefined ? [] : [`at ${showTime(Math.floor(time))}`]),
    ...(muted === undefined ? [] : [muted ? 'muted' : 'with sound']),
  ];
  return (
    <div className="now" data-playing={playing}>
      {can && (
        <button
          type="button"
          className="now-press"
          aria-label={playing ? 'Pause the preview' : 'Play the preview'}
          onClick={() => askPlayer(store, playing ? 'pause' : 'play')}
        >
          {playing ? <PaneShut /> : <PaneAjar />}
        </button>
      )}
      <span>In the preview: {words.join(', ')}</span>
    </div>
  );
}
