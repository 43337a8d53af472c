import { Button } from '@mui/material';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import type { ProofRow } from '../../../core/proof/playThrough/proof.ts';
import { holds, type CardProof } from '../../../core/teach/prove.ts';
import { sayExpected, sayObserved } from '../../../messages/proof.ts';
import { sayCardProof, sayProvedLink } from '../../../messages/prove.ts';
import { proveCard, type ProvingStep } from '../../proof/card.ts';
import type { Store } from '../../state/store.ts';
import { findProved } from '../../storage/own.ts';
import { t } from '../../../messages/t.ts';

/** Whether a card still says what its host does: its examples run, its frames asked for, its players played through. */
export function Proof({ card }: { card: HostCard }): ReactElement {
  const store = useStore() as Store;
  const holder = useRef<HTMLDivElement>(null);
  const calling = useRef<AbortController | null>(null);
  const [proof, setProof] = useState<CardProof | null>(null);
  const [step, setStep] = useState<ProvingStep | null>(null);
  useEffect(() => {
    void findProved(card.id)
      .catch(() => undefined)
      .then((kept) => kept && setProof(kept));
    return () => calling.current?.abort();
  }, [card.id]);
  const begin = (): void => {
    calling.current = new AbortController();
    proveCard(store, { card, holder: holder.current!, step: setStep, signal: calling.current.signal })
      .then(setProof)
      .catch((error: unknown) => {
        if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
      })
      .finally(() => setStep(null));
  };
  return (
    <section aria-label={t('Test')} aria-busy={step !== null}>
      <h3>{t('Test')}</h3>
      <p role="status">
        {step?.doing === 'asking' && t('Asking for the frames: {done} of {all} …', { done: step.done, all: step.all })}
        {step?.doing === 'playing' && t('Playing {link} through …', { link: step.link })}
        {!step && (proof ? sayCardProof(proof) : t('Not tested yet: its examples are run, and its player is played through.'))}
      </p>
      {step ? (
        <Button variant="outlined" onClick={() => calling.current?.abort()}>
          {t('Stop')}
        </Button>
      ) : (
        <Button variant="outlined" onClick={begin}>
          {proof ? t('Test it again') : t('Test it')}
        </Button>
      )}
      <div ref={holder} className="card-stage" />
      {!step && proof && <Proved proof={proof} />}
    </section>
  );
}

function Proved({ proof: { links, played } }: { proof: CardProof }): ReactElement {
  const wrong = links.filter((one) => !holds(one));
  return (
    <>
      {wrong.length > 0 && (
        <ul className="card-problems *:py-[3px]">
          {wrong.map((one, i) => (
            <li key={i}>
              <code>{one.text}</code> {sayProvedLink(one)}
            </li>
          ))}
        </ul>
      )}
      {Object.entries(played).map(([target, rows]) => (
        <ul key={target} className="[columns:260px]" aria-label={t('What its player did: {target}', { target })}>
          {rows
            .filter(({ verdict }) => verdict !== 'told')
            .map((row) => (
              <Seen key={row.question} row={row} />
            ))}
        </ul>
      ))}
    </>
  );
}

const SIGNS: Record<ProofRow['verdict'], string> = { 'as asked': '✓', differs: '✗', told: '', 'not seen': '?' };

function Seen({ row }: { row: ProofRow }): ReactElement {
  return (
    <li data-verdict={row.verdict}>
      {SIGNS[row.verdict]}{' '}
      {row.verdict === 'not seen' ? t('{expected}: could not be seen', { expected: sayExpected(row) }) : sayObserved(row)}
      {row.verdict === 'differs' && <>{t('; asked: {expected}', { expected: sayExpected(row) })}</>}
    </li>
  );
}
