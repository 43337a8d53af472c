import { useMemo, type ReactElement } from 'react';
import { showTime } from '../../core/model/time.ts';
import { frequentWords } from '../../core/order/cues/frequent.ts';
import type { Cue } from '../../core/order/order.ts';
import { selectSite } from '../state/selectors.ts';
import { useAppSelector } from '../state/store.ts';
import { t } from '../../messages/t.ts';

/** As many words as tell what a recording is about. */
const MOST = 12;

interface Props {
  transcript: readonly Cue[];
  /** Goes to the second in which a word is said first; absent where nothing can be gone to. */
  jump?: ((seconds: number) => void) | undefined;
}

/** The words that occur most in what is said, each with where it is said first. */
export function SaidMost({ transcript, jump }: Props): ReactElement {
  const language = useAppSelector((state) => selectSite(state)?.language ?? 'en');
  const found = useMemo(() => frequentWords(transcript, { language, most: MOST }), [transcript, language]);
  if (found.length === 0) return <small className="text-quiet">{t('No word occurs twice.')}</small>;
  return (
    <ul className="line gap-x-4 gap-y-0" aria-label={t('Said most')}>
      {found.map(({ word, count, first }) => {
        const when = t('{count} times, from {first}', { count, first: showTime(Math.floor(first)) });
        return (
          <li key={word}>
            {jump ? (
              <button type="button" className="inline-remedy" onClick={() => jump(first)}>
                {word}
              </button>
            ) : (
              word
            )}{' '}
            <small className="text-quiet">{when}</small>
          </li>
        );
      })}
    </ul>
  );
}
