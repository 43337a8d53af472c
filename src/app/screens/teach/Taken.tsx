import type { ReactElement } from 'react';
import { anatomy } from '../../../core/steps/recognise/anatomy.ts';
import type { HostBook } from '../../../core/known/hosts/book.ts';
import { bringIn } from '../../../core/pipeline.ts';
import { sayMeaning } from '../../../messages/en.ts';

/** An address taken apart by the card, each part with what it is. */
export function Taken({ address, book, label }: { address: string; book: HostBook; label: string }): ReactElement {
  const [found] = bringIn(address, book);
  const segments = found ? anatomy(address, found, book) : [];
  return (
    <ul className="taken" aria-label={label}>
      {segments.map(({ range, meaning }) => (
        <li
          key={range[0]}
          className="part"
          data-role={meaning.role === 'identity' && meaning.name === 'any words' ? 'free' : meaning.role}
        >
          <code>{address.slice(...range)}</code>
          <small>{meaning.role === 'form' ? 'always the same' : sayMeaning(meaning)}</small>
        </li>
      ))}
    </ul>
  );
}
