import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { ProofRow } from '../../../core/proof/playThrough/proof.ts';
import { answered } from '../../../core/proof/playThrough/judge.ts';
import { QUESTIONS } from '../../../core/proof/playThrough/questions/list.ts';
import { sayExpected, sayObserved, sayProof } from '../../../messages/proof.ts';
import { keepProof } from '../../proof/start.ts';
import { proofAnswered, proofBegun, proofShown, type ProofState } from '../../state/proof.ts';
import { selectEmbed } from '../../state/selectors.ts';
import { useAppDispatch, useAppSelector, type Store } from '../../state/store.ts';
import { showMoment, t } from '../../../messages/t.ts';

const STATIONS = [
  { moment: 'arrive', name: t('Arrive'), doing: t('the page opens …') },
  { moment: 'begin', name: t('Begin'), doing: t('does it begin by itself? …') },
  { moment: 'during', name: t('During'), doing: t('watching …') },
  { moment: 'end', name: t('End'), doing: t('on to shortly before the end …') },
] as const;

const VERDICTS: Record<ProofRow['verdict'], string> = {
  'as asked': t('as asked'),
  differs: t('not as asked'),
  told: t('the host’s default'),
  'not seen': t('could not be seen'),
};

/** The four moments of a visit: what was asked, beside what happened. */
export function ProofStrip(): ReactElement {
  const { step, proof } = useAppSelector((state) => state.proof);
  const rows = step === null ? (proof?.rows ?? []) : [];
  const reached = STATIONS.findIndex(({ moment }) => moment === step);
  return (
    <section className="moments proof" aria-label={t('Play-through')} aria-busy={step !== null}>
      <div className="stations">
        {STATIONS.map(({ moment, name, doing }, i) => (
          <div key={moment} className="station" data-moment={moment} data-live={moment === step}>
            <h2>{name}</h2>
            {moment === step && <p className="my-0.5 text-amber">{doing}</p>}
            {step !== null && i < reached && <p className="text-quiet">{t('looked at')}</p>}
            {step === null && !rows.some(({ question }) => momentOf(question) === moment) && (
              <p className="text-quiet">{t('nothing to look at')}</p>
            )}
            <ul>
              {rows
                .filter(({ question }) => momentOf(question) === moment)
                .map((row) => (
                  <ProofLine key={row.question} row={row} />
                ))}
            </ul>
          </div>
        ))}
        <Summary />
        {!WITHOUT_CREDENTIALS && (
          <p className="text-quiet">
            {t(
              'This browser opens frames with your cookies. Where you are signed in at the host, you see what you see, not what visitors see: sign out there, or play it through in a private window.',
            )}
          </p>
        )}
      </div>
    </section>
  );
}

/** Frames with an empty store of their own (Anonymous iframe, WICG), which some browsers lack. */
const WITHOUT_CREDENTIALS = 'credentialless' in HTMLIFrameElement.prototype;

const momentOf = (id: string): string | undefined => QUESTIONS.find((question) => question.id === id)?.moment;

function ProofLine({ row }: { row: ProofRow }): ReactElement {
  const dispatch = useAppDispatch();
  const store = useStore() as Store;
  const answer = (so: boolean): void => {
    dispatch(proofAnswered(answered(row, so)));
    keepProof(store);
  };
  return (
    <li
      className="proof-row mt-1 mr-1.5 mb-1.5 ml-0.5 grid gap-x-2 gap-y-0 border-l-3 border-l-hair pl-2 data-[verdict='as_asked']:border-l-green data-[verdict='not_seen']:border-dotted data-[verdict='not_seen']:border-l-amber data-[verdict=differs]:border-double data-[verdict=differs]:border-l-brick data-[verdict=differs]:[&_small]:font-semibold data-[verdict=differs]:[&_small]:text-brick [&_strong]:font-semibold"
      data-verdict={row.verdict}
    >
      <strong>{sayObserved(row)}</strong>
      {row.verdict === 'differs' && row.by === 'player' && <span>{t('asked: {expected}', { expected: sayExpected(row) })}</span>}
      <small>
        {VERDICTS[row.verdict]}
        {row.by === 'person' && t(', as you saw it')}
      </small>
      {row.verdict === 'not seen' && (
        <span className="line mt-1">
          <button type="button" className="inline-remedy ml-2" onClick={() => answer(true)}>
            {t('Yes')}
          </button>
          <button type="button" className="inline-remedy ml-2" onClick={() => answer(false)}>
            {t('No')}
          </button>
        </span>
      )}
    </li>
  );
}

function Summary(): ReactElement {
  const dispatch = useAppDispatch();
  const { step, proof }: ProofState = useAppSelector((state) => state.proof);
  const code = useAppSelector((state) => selectEmbed(state)?.code.text);
  return (
    <div className="station [&_p]:my-0.5">
      <h2>{t('Play-through')}</h2>
      <p role="status">
        {step !== null ? t('Playing it as a visitor who was never here …') : proof && `${upper(sayProof(proof))}.`}
      </p>
      {step === null && proof && (
        <p className="text-quiet">
          {showMoment(proof.date)}
          {proof.code === code ? t('; kept with the embed.') : t('; the code has changed since.')}
        </p>
      )}
      <div className="line mt-1">
        {step === null && (
          <Button variant="outlined" onClick={() => dispatch(proofBegun())}>
            {t('Once more')}
          </Button>
        )}
        <Button variant="outlined" onClick={() => dispatch(proofShown(false))}>
          {step === null ? t('Back to the settings') : t('Stop')}
        </Button>
      </div>
    </div>
  );
}

const upper = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
