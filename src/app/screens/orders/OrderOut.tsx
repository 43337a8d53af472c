import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { withText } from '../../../core/order/around.ts';
import { orderForm, type OrderFormId } from '../../../core/order/forms/list.ts';
import type { Order } from '../../../core/order/order.ts';
import type { OrderPage } from '../../../core/order/page/page.ts';
import { SCRIPT_HASH } from '../../../core/order/page/script.ts';
import type { Site } from '../../../core/model/site.ts';
import { compareBack } from '../../../core/proof/published/compare.ts';
import { FORM_NOTES, FORM_WORDS } from '../../../messages/order.ts';
import { copyText } from '../../copyText.ts';
import { selectBook } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { addOrderVersion } from '../../storage/orders.ts';
import { saveFile } from '../../ui/files.ts';
import { Losses } from '../../ui/Losses.tsx';
import { sizeOf } from './sizeOf.ts';
import { showNumber, t } from '../../../messages/t.ts';
import { rich } from '../../ui/rich.tsx';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { Tick } from '../../fields/Tick.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

const FILE = 'running-order.html';

interface Props {
  order: Order;
  page: OrderPage;
  site: Site;
}

/** What is taken away: the code in one of its forms, with a file where it needs one; or the order itself. */
export function OrderOut({ order, page, site }: Props): ReactElement {
  const book = useAppSelector(selectBook);
  const [id, setId] = useState<OrderFormId>('whole');
  const [text, setText] = useState(false);
  const [said, setSaid] = useState('');
  const form = orderForm(id);
  const bare = form.write(order, page, FILE);
  const code = text ? withText(bare, order, { book, site }) : bare;
  const stripped = site.strips.scripts && (form.scripted || text);
  const taken = (): void => void addOrderVersion(order).catch(() => undefined);
  const copy = (): void =>
    void copyText(code).then(
      () => {
        taken();
        setSaid(
          id === 'file' ? t('The code is copied. Put the page on your site, and its address into the code.') : t('Copied.'),
        );
      },
      () => setSaid(t('The browser refused to copy. Take it as a file on your site instead.')),
    );
  return (
    <div className="line gap-x-3 gap-y-1 [&_details]:flex-[1_0_100%]">
      <ChoiceField label={t('Code')} value={id} options={Object.entries(FORM_WORDS)} set={setId} />
      <Tick label={t('With its text around it, for search engines')} on={text} set={setText} />
      <span className="text-quiet">
        {FORM_NOTES[id]} {showNumber(sizeOf(code) / 1000, { minimumFractionDigits: 1, maximumFractionDigits: 1 })} kB
      </span>
      {stripped && (
        <span className="wrong">
          {t('The editor of {site} takes scripts out of pasted code, and this needs one.', { site: site.name })}
        </span>
      )}
      <div className="line flex-[1_0_100%] gap-x-3 gap-y-1">
        <Button variant="contained" disabled={order.entries.length === 0} onClick={copy}>
          {t('Copy the code')}
        </Button>
        {id === 'file' && (
          <Button
            variant="outlined"
            onClick={() => {
              saveFile(FILE, page.html, 'text/html');
              taken();
            }}
          >
            {t('Save the page')}
          </Button>
        )}
        <SaveList order={order} />
      </div>
      <p role="status">{said}</p>
      <WhatCameBack given={code} />
      {form.hashed && (
        <details>
          <summary>{t('For a site with a strict policy')}</summary>
          <p>
            {rich(
              'Its Content-Security-Policy lets the script run with <code>{script}</code>, which is the same for every running order. Its style needs <code>{style}</code>, and media files and hosts stand in <code>media-src</code> and <code>frame-src</code>.',
              {
                code: (inside) => <code>{inside}</code>,
                script: `script-src '${SCRIPT_HASH}'`,
                style: "style-src 'unsafe-inline'",
              },
            )}
          </p>
          {order.cover !== undefined && (
            <p>{rich('Its cover needs <code>img-src data:</code>.', { code: (inside) => <code>{inside}</code> })}</p>
          )}
          {order.streamScript !== undefined && (
            <p>
              {rich(
                'For streams, <code>script-src</code> has the address of their script as well, <code>connect-src</code> where their pieces are, and <code>media-src</code> also <code>blob:</code>.',
                { code: (inside) => <code>{inside}</code> },
              )}
            </p>
          )}
        </details>
      )}
    </div>
  );
}

/** What the site made of the code, once it was put into a page. */
function WhatCameBack({ given }: { given: string }): ReactElement {
  const [back, setBack] = useState('');
  return (
    <details>
      <summary>{t('See what your site made of it')}</summary>
      <WordsField
        label={t('The code as it stands in the page now, or the source of the page')}
        labelled="above"
        lines={3}
        value={back}
        set={setBack}
      />
      <div role="status">{back.trim() !== '' && <Losses losses={compareBack(given, back)} />}</div>
    </details>
  );
}

const FILE_FORMATS = {
  '': t('choose a format'),
  own: t('Running order, to bring in again'),
  rss: 'RSS',
  atom: 'Atom',
  'json-feed': 'JSON Feed',
  xspf: 'XSPF',
  m3u: 'M3U',
  csv: 'CSV',
};

/** The entries in an open format. */
function SaveList({ order }: { order: Order }): ReactElement {
  const saveAs = async (id: string): Promise<void> => {
    if (id === 'own') return saveFile('running-order.json', JSON.stringify(order, null, 2));
    const { FORMATS } = await import('../../../core/order/formats/list.ts');
    const format = FORMATS.find((one) => one.id === id);
    if (format) saveFile(`running-order.${format.extension}`, format.write(order), 'application/octet-stream');
  };
  return (
    <ChoiceField label={t('Save the list as')} value="" options={Object.entries(FILE_FORMATS)} set={(id) => void saveAs(id)} />
  );
}
