import { Button } from '@mui/material';
import type { DragEvent, ReactElement } from 'react';
import type { KeptBatch } from '../../batch/run.ts';
import { selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { FileButton } from '../../ui/FileButton.tsx';

interface Props {
  batch: KeptBatch;
  change: (part: Partial<KeptBatch>) => void;
  begin: () => void;
  ready: boolean;
}

const EXAMPLE = 'link;title;start\nhttp://lanternreel.localhost/see/k7wq2m9d;The sluice opens;0:42';

/** What a batch is made of: pasted, dropped, or from a file. */
export function BatchInput({ batch, change, begin, ready }: Props): ReactElement {
  const sites = useAppSelector(selectSites);
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    const name = file?.name ?? '';
    void (file ? file.text() : Promise.resolve(event.dataTransfer.getData('text/plain'))).then(
      (text) => text && change({ text, name, batch: '', roles: null }),
    );
  };
  return (
    <div className="batch batch-input" onDrop={onDrop} onDragOver={(event) => event.preventDefault()}>
      <h1>Batch</h1>
      <label className="batch-text">
        <span>
          Paste or drop links, a text with links in it, CSV, cells of a spreadsheet, or a feed
          {batch.name && <small> · {batch.name}</small>}
        </span>
        <textarea
          value={batch.text}
          placeholder={EXAMPLE}
          spellCheck={false}
          onChange={(event) => change({ text: event.target.value, name: '', batch: '', roles: null })}
        />
      </label>
      <div className="batch-ways">
        <FileButton
          words="Open a file"
          accept=".csv,.tsv,.txt,.xml,.rss,.atom,.html,text/*,application/xml"
          taken={([file]) => change({ text: file!.text, name: file!.name, batch: '', roles: null })}
        />
        <label>
          For the site{' '}
          <select value={batch.site || sites[0]?.id} onChange={(event) => change({ site: event.target.value })}>
            {sites.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="tick">
          <input type="checkbox" checked={batch.asks} onChange={(event) => change({ asks: event.target.checked })} />
          Ask the hosts for titles, shapes and covers
        </label>
        <Button variant="contained" disabled={!ready || batch.text.trim() === ''} onClick={() => begin()}>
          Make the codes
        </Button>
      </div>
      <p className="quiet">
        Each row starts from the house style of its site. Nothing is written to the Shelf before you say so.
      </p>
    </div>
  );
}
