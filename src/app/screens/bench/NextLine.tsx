import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { NextStep } from '../../../core/proof/nextStep.ts';
import { NEXT_STEPS } from '../../../messages/next.ts';
import { EXAMPLE } from '../../state/bench.ts';
import { sameData } from '../../state/sameData.ts';
import { selectNextStep } from '../../state/selectors.ts';
import { proofBegun, proofShown } from '../../state/proof.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { wayOpened } from '../../state/view.ts';
import { TOUR } from '../../ui/screens.ts';
import { t } from '../../../messages/t.ts';

/** What to do next, in one line that changes with the state of the work. */
export function NextLine(): ReactElement {
  const dispatch = useAppDispatch();
  const step = useAppSelector(selectNextStep, sameData);
  const busy = useAppSelector((state) => state.proof.shown);
  const isExample = useAppSelector(({ bench }) => !bench.touched && bench.present.id === EXAMPLE);
  const { words, press } = NEXT_STEPS[step.code];
  const acts: { [Code in NextStep['code']]?: () => void } = {
    fix: () => document.querySelector<HTMLElement>('.finding[data-severity="error"] button, .finding summary')?.focus(),
    prove: () => dispatch(proofBegun()),
    differs: () => dispatch(proofShown(true)),
    place: () => dispatch(wayOpened('back')),
  };
  return (
    <div
      className="line next-line min-h-10 justify-between gap-x-3 gap-y-1 border-b border-hair bg-green-wash px-3 py-1 data-[step=differs]:bg-amber-wash data-[step=fix]:bg-amber-wash max-desk:order-1 [&_b]:mr-1.5 [&_p]:m-0 [&_p]:flex-[1_1_180px]"
      data-step={step.code}
    >
      <p role="status">
        <b>{t('Next')}</b> {words(step as never)}
      </p>
      {press && (
        <button type="button" className="inline-remedy" disabled={busy && step.code !== 'place'} onClick={acts[step.code]}>
          {press}
        </button>
      )}
      {isExample && (
        <Button component={Link} to={TOUR}>
          {t('Show me around')}
        </Button>
      )}
    </div>
  );
}
