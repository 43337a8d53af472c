import { askPlayer } from '../state/playerLink.ts';
import type { Command } from './command.ts';

export const playOrPause: Command = {
  id: 'playOrPause',
  label: 'Play or pause the preview',
  keys: ' ',
  run: (store, act) => askPlayer(store, store.getState().view.player.playing ? 'pause' : 'play', { act }),
};
