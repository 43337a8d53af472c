import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { selectGivenStatus } from '../../state/answers.ts';
import { useAppSelector } from '../../state/store.ts';

/** Characters of what is handed over at most. */
const MOST = 20_000;

/**
 * Brings in what the address hands over: `/?take=…`, as the bookmark, page editors and what is shared with the installed
 * application write it (Web Share Target, section 5). Some programs share a link as text.
 */
export function useHandedLink(bringIn: (text: string) => void): void {
  const [asked] = useSearchParams();
  const ready = useAppSelector((state) => selectGivenStatus(state) === 'ready');
  const handed = [...asked.getAll('take'), ...asked.getAll('text')].find((text) => text.trim() !== '')?.slice(0, MOST);
  const taken = useRef<string | undefined>(undefined);
  useEffect(() => {
    if (!ready || handed === undefined || taken.current === handed) return;
    taken.current = handed;
    bringIn(handed);
  }, [ready, handed, bringIn]);
}
