import './placements.css';
import { Button } from '@mui/material';
import { useState, type ReactElement, type SyntheticEvent } from 'react';
import type { Placement } from '../../core/model/placement.ts';
import { pageAddressOf, placedAlso } from '../../core/model/placing.ts';
import { showDay, t } from '../../messages/t.ts';
import { WordsField } from '../fields/WordsField.tsx';

interface Props {
  placed: readonly Placement[];
  set: (placed: Placement[]) => void;
}

/** The pages in which something stands, as many as there are. */
export function Placements({ placed, set }: Props): ReactElement {
  const [address, setAddress] = useState('');
  const [wrong, setWrong] = useState(false);
  const add = (event: SyntheticEvent): void => {
    event.preventDefault();
    const page = pageAddressOf(address);
    setWrong(page === null);
    if (page === null) return;
    set(placedAlso(placed, page, Date.now()));
    setAddress('');
  };
  return (
    <>
      <ul className="detail-list">
        {placed.map((one) => (
          <li key={one.address}>
            <a href={one.address} target="_blank" rel="noreferrer">
              {one.address.replace(/^https?:\/\//, '')}
            </a>
            <small>{t('since {since}', { since: showDay(one.since) })}</small>
            <button
              type="button"
              className="inline-remedy"
              aria-label={t('Remove {what}', { what: one.address })}
              onClick={() => set(placed.filter(({ address: other }) => other !== one.address))}
            >
              {t('Remove')}
            </button>
          </li>
        ))}
      </ul>
      <form onSubmit={add} className="mt-1.5 grid grid-cols-[minmax(0,1fr)_auto] gap-2">
        <WordsField
          label={t('Address of a page')}
          labelled="hidden"
          placeholder="https://…"
          value={address}
          wrong={wrong ? '' : undefined}
          set={setAddress}
        />
        <Button type="submit" variant="outlined">
          {t('Add this page')}
        </Button>
      </form>
      {wrong && <small className="wrong">{t('Give the whole address of the page, with http:// or https://.')}</small>}
    </>
  );
}
