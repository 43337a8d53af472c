import type { Order } from '../order.ts';
import type { Plays } from '../plays.ts';
import type { PlayerWords } from './words.ts';

/** What the script of the page is told, as JSON within it. */
export interface PageData {
  words: PlayerWords;
  continuous: boolean;
  loop: Order['loop'];
  first: number;
  download: boolean;
  /** Begins by itself, without sound. */
  autoplay: boolean;
  volume: number;
  /** The module that plays streams in browsers that do not. */
  streamScript?: string | undefined;
  entries: {
    title: string;
    plays: Plays;
    /** The address of its frame without sound; absent where nothing begins by itself. */
    silent?: string | undefined;
    from?: number | undefined;
    until?: number | undefined;
    /** Whether its address does not say where it begins, so that it has to be asked. */
    seeks: boolean;
  }[];
}
