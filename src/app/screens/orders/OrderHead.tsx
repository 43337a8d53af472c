import { Button } from '@mui/material';
import { useState, type ReactElement, type SyntheticEvent } from 'react';
import { pageAddressOf } from '../../../core/model/placing.ts';
import type { Order } from '../../../core/order/order.ts';
import { loadPicture } from '../../state/server.ts';
import { smallPicture } from '../../state/thumbnails.ts';
import { t } from '../../../messages/t.ts';
import { FileButton } from '../../fields/FileButton.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  order: Order;
  change: (part: Partial<Order>) => void;
}

/** The cover at its head: its size for dense screens, and bytes at most. */
const COVER = { size: { width: 144, height: 144 }, ratio: '1:1', most: 12_000 };

/** What stands around the entries of the page: a cover, and links to where it can be had. */
export const OrderHead = ({ order, change }: Props): ReactElement => (
  <details className="order-head [&_.inline-remedy]:text-small">
    <summary>{t('Cover and links')}</summary>
    <Cover order={order} change={change} />
    <Links order={order} change={change} />
  </details>
);

function Cover({ order: { cover, coverAt }, change }: Props): ReactElement {
  const [said, setSaid] = useState('');
  const take = async (picture: () => Promise<Blob>): Promise<void> => {
    setSaid('');
    const made = await picture()
      .then((blob) => smallPicture(blob, COVER))
      .catch(() => null);
    if (made === null) setSaid(t('This could not be read as a picture. Choose a JPEG, PNG or WebP file.'));
    else change({ cover: made });
  };
  return (
    <div className="line order-cover my-2 items-end">
      {cover !== undefined && <img src={cover} alt={t('The cover as it is')} width="72" height="72" />}
      <FileButton
        words={t('Choose a picture file')}
        accept="image/*"
        variant="outlined"
        give={([file]) => void take(() => Promise.resolve(file!))}
      />
      {coverAt !== undefined && (
        <Button variant="outlined" onClick={() => void take(() => loadPicture(coverAt))}>
          {t('Take that of the feed')}
        </Button>
      )}
      {cover !== undefined && <Button onClick={() => change({ cover: undefined })}>{t('Without a cover')}</Button>}
      <span role="status">{said}</span>
    </div>
  );
}

function Links({ order: { links }, change }: Props): ReactElement {
  const [words, setWords] = useState('');
  const [address, setAddress] = useState('');
  const page = pageAddressOf(address);
  const add = (event: SyntheticEvent): void => {
    event.preventDefault();
    if (page === null || words.trim() === '') return;
    change({ links: [...links, { words: words.trim().slice(0, 80), address: page }] });
    setWords('');
    setAddress('');
  };
  return (
    <>
      <ul className="detail-list">
        {links.map((link, i) => (
          <li key={i}>
            <span>{link.words}</span> <small>{link.address.replace(/^https?:\/\//, '')}</small>
            <button
              type="button"
              className="inline-remedy"
              aria-label={t('Remove the link “{words}”', { words: link.words })}
              onClick={() => change({ links: links.filter((_, at) => at !== i) })}
            >
              {t('Remove')}
            </button>
          </li>
        ))}
      </ul>
      <form className="line my-2 items-end" onSubmit={add}>
        <WordsField label={t('Words of a link')} labelled="above" value={words} set={setWords} />
        <WordsField label={t('Its address')} labelled="above" placeholder="https://…" value={address} set={setAddress} />
        <Button type="submit" variant="outlined" disabled={page === null || words.trim() === '' || links.length >= 20}>
          {t('Add this link')}
        </Button>
      </form>
    </>
  );
}
