import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import type { Order } from '../../../core/order/order.ts';
import { fileCode, wholeCode } from '../../../core/order/out.ts';
import { copyText } from '../../copyText.ts';
import { saveFile } from '../../ui/files.ts';

const FILE = 'running-order.html';

/** What is taken away: the code with the page in it, or the page as a file and a small code for it; or the order itself. */
export function OrderOut({ order, html }: { order: Order; html: string }): ReactElement {
  const [said, setSaid] = useState('');
  const copy = (code: string, what: string): void =>
    void copyText(code).then(
      () => setSaid(what),
      () => setSaid('The browser refused to copy. Save the page as a file instead.'),
    );
  const saveAs = async (id: string): Promise<void> => {
    if (id === 'own') return saveFile('running-order.json', JSON.stringify(order, null, 2));
    const { FORMATS } = await import('../../../core/order/formats/list.ts');
    const format = FORMATS.find((one) => one.id === id);
    if (format) saveFile(`running-order.${format.extension}`, format.write(order), 'application/octet-stream');
  };
  return (
    <div className="order-out">
      <Button
        variant="contained"
        disabled={order.entries.length === 0}
        onClick={() => copy(wholeCode(order, html), 'Copied: the page is within the code.')}
      >
        Copy the code
      </Button>
      <Button
        variant="outlined"
        onClick={() => {
          saveFile(FILE, html, 'text/html');
          copy(fileCode(order, FILE), `${FILE} is saved and the code for it copied. Put both on your site.`);
        }}
      >
        Save as a file with its code
      </Button>
      <label>
        Save the list as{' '}
        <select value="" onChange={({ target }) => void saveAs(target.value)}>
          <option value="">choose a format</option>
          <option value="own">Running order, to bring in again</option>
          <option value="rss">RSS</option>
          <option value="atom">Atom</option>
          <option value="json-feed">JSON Feed</option>
          <option value="xspf">XSPF</option>
          <option value="m3u">M3U</option>
          <option value="csv">CSV</option>
        </select>
      </label>
      <span className="quiet">{(new TextEncoder().encode(html).length / 1000).toFixed(1)} kB</span>
      <p role="status">{said}</p>
    </div>
  );
}
