import type { Range } from '../../../core/model/candidate.ts';
import { codeEdited, textReplaced } from '../../state/bench.ts';
import { selectInHand, selectRecognised } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';

/** Changes the text that is worked on: the code in hand, or what was pasted. `range` is where its address stands. */
export function useTextEdit(): { edit: (change: (before: string) => string) => void; range: Range | null } {
  const dispatch = useAppDispatch();
  const text = useAppSelector((state) => state.bench.present.text);
  const hand = useAppSelector(selectInHand);
  const range = useAppSelector((state) => (selectInHand(state) ?? selectRecognised(state)).candidate.addressRange);
  const edit = (change: (before: string) => string): void => {
    if (hand) dispatch(codeEdited({ code: change(hand.text), changes: {} }));
    else dispatch(textReplaced(change(text)));
  };
  return { edit, range };
}
