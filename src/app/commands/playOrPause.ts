import { askPlayer } from '../state/playerLink.ts';
import { selectItem } from '../state/selectors.ts';
import type { Command } from './command.ts';
import { t } from '../../messages/t.ts';

/** Without sound, since browsers hold sound back until the visitor has pressed in the player itself. */
export const playOrPause: Command = {
  id: 'playOrPause',
  label: t('Play the preview without sound, or pause it'),
  keys: ' ',
  run: (store, act) => {
    const { playing, time, page } = store.getState().view.player;
    // Before its first report, a player does not hear yet.
    if (time === undefined && page === undefined) return false;
    if (playing) return askPlayer(store, 'pause', { act });
    const soundless = selectItem(store.getState())?.kind === 'slideshow';
    return (soundless || askPlayer(store, 'mute', { act })) && askPlayer(store, 'play', { act });
  },
};
