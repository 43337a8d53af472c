import type { ReactElement } from 'react';
import { anatomy } from '../../core/steps/recognise/anatomy.ts';
import type { HostBook } from '../../core/known/hosts/book.ts';
import { bringIn } from '../../core/pipeline.ts';
import { sayMeaning } from '../../messages/reading.ts';
import { t } from '../../messages/t.ts';

/** The parts of an address as the card takes it, each with what it is; from a place on, where one is given. */
export function Taken({ address, book, from = 0 }: { address: string; book: HostBook; from?: number }): ReactElement {
  const [found] = bringIn(address, book);
  const segments = (found ? anatomy(address, found, book) : []).filter(({ range: [start] }) => start >= from);
  return (
    <>
      {segments.map(({ range, meaning }) => (
        <li
          key={range[0]}
          className="part"
          data-role={meaning.role === 'identity' && meaning.name === 'any words' ? 'free' : meaning.role}
        >
          <code>{address.slice(...range)}</code>
          <small>{meaning.role === 'form' ? t('always the same') : sayMeaning(meaning)}</small>
        </li>
      ))}
    </>
  );
}
