import type { ReactElement } from 'react';

interface Props {
  words: string;
  on: boolean;
  take: () => void;
  /** Shown as a patch before the words. */
  colour?: string | undefined;
}

/** A value near at hand, taken by one press. */
export const Offer = ({ words, on, take, colour }: Props): ReactElement => (
  <button type="button" className="offer" aria-pressed={on} onClick={take}>
    {colour !== undefined && <i style={{ background: colour }} />}
    {words}
  </button>
);
