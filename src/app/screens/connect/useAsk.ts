import { useCallback, useRef, useState } from 'react';
import { useAppDispatch } from '../../state/store.ts';

type Dispatch = ReturnType<typeof useAppDispatch>;
interface Answer<Data> {
  data?: Data | undefined;
  error?: unknown;
}

/** A question to the server that is asked when somebody says so, and what came of the latest one. */
export function useAsk<Wanted, Data>(
  question: (dispatch: Dispatch, wanted: Wanted) => PromiseLike<Answer<Data>>,
): [ask: (wanted: Wanted) => Promise<Answer<Data>>, latest: Answer<Data> & { asking: boolean }, forget: () => void] {
  const dispatch = useAppDispatch();
  const [latest, setLatest] = useState<Answer<Data> & { asking: boolean }>({ asking: false });
  const asked = useRef(question);
  const ask = useCallback(
    async (wanted: Wanted): Promise<Answer<Data>> => {
      setLatest((before) => ({ ...before, asking: true }));
      const { data, error } = await asked.current(dispatch, wanted);
      setLatest({ data, error, asking: false });
      return { data, error };
    },
    [dispatch],
  );
  return [ask, latest, useCallback(() => setLatest({ asking: false }), [])];
}
