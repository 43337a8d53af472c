import { Button } from '@mui/material';
import { useMemo, type ClipboardEvent, type DragEvent, type ReactElement } from 'react';
import { selectGiven } from '../../state/answers.ts';
import type { KeptBatch } from '../../batch/run.ts';
import { useAppSelector } from '../../state/store.ts';
import { TextFileButton } from '../../fields/FileButton.tsx';
import { SitePick } from '../../ui/SitePick.tsx';
import { readText, type NamedText } from '../../ui/files.ts';
import { showNumber, t } from '../../../messages/t.ts';
import { Tick } from '../../fields/Tick.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  batch: KeptBatch;
  change: (part: Partial<KeptBatch>) => void;
  begin: () => void;
  ready: boolean;
}

/** The file, and how it was read where that had to be guessed. */
const nameOf = ({ name, guessed }: NamedText): string => (guessed ? t('{name}, read as {guessed}', { name, guessed }) : name);

const example = (link: string): string => `link;title;start\n${link};The sluice opens;0:42`;

/** A longer text is not laid into the field, which would hold up the screen; only its beginning is. */
const LONGEST = 20_000;
const BEGINNING = 2000;

/** What a batch is made of: pasted, dropped, or from a file. */
export function BatchInput({ batch, change, begin, ready }: Props): ReactElement {
  const link = useAppSelector((state) => selectGiven(state).example);
  const long = batch.text.length > LONGEST;
  const lines = useMemo(() => (long ? batch.text.trimEnd().split('\n').length : 0), [batch.text, long]);
  const take = (text: string, name = ''): void => change({ text, name, batch: '', roles: null });
  const onPaste = (event: ClipboardEvent): void => {
    const text = event.clipboardData.getData('text/plain');
    if (text.length <= LONGEST) return;
    event.preventDefault();
    take(text);
  };
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    const name = file?.name ?? '';
    void (file ? readText(file) : Promise.resolve({ name, text: event.dataTransfer.getData('text/plain') })).then(
      (read: NamedText) => read.text && take(read.text, nameOf(read)),
    );
  };
  return (
    <div
      className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto_auto] gap-2 px-4 pt-3 pb-2 max-desk:block max-desk:h-auto max-desk:p-3"
      onDrop={onDrop}
      onDragOver={(event) => event.preventDefault()}
    >
      <h1>{t('Batch')}</h1>
      <WordsField
        label={
          <>
            {t('Paste or drop links, a text with links in it, CSV, cells of a spreadsheet, or a feed')}
            {batch.name && <small> · {batch.name}</small>}
            {long && <small>{t(' · {lines} lines, of which the first stand here', { lines: showNumber(lines) })}</small>}
          </>
        }
        labelled="above"
        className="batch-text grid-rows-[auto_minmax(240px,1fr)] gap-1 [&_.box>textarea]:h-full [&_.box>textarea]:resize-none"
        lines={12}
        placeholder={example(link)}
        value={long ? batch.text.slice(0, BEGINNING) : batch.text}
        set={take}
        control={{ readOnly: long, onPaste }}
      />
      <div className="line batch-ways gap-x-3 gap-y-1.5 [&>.MuiButton-contained]:ml-auto">
        <TextFileButton
          words={t('Open a file')}
          accept=".csv,.tsv,.txt,.xml,.rss,.atom,.html,text/*,application/xml"
          give={([file]) => take(file!.text, nameOf(file!))}
        />
        {long && <Button onClick={() => take('')}>{t('Empty the field')}</Button>}
        {batch.text === '' && <Button onClick={() => take(example(link))}>{t('Try an example')}</Button>}
        <SitePick site={batch.site} choose={(site) => change({ site })} />
        <Tick label={t('Ask the hosts for titles, shapes and covers')} on={batch.asks} set={(asks) => change({ asks })} />
        <Button variant="contained" disabled={!ready || batch.text.trim() === ''} onClick={() => begin()}>
          {t('Make the codes')}
        </Button>
      </div>
      <p className="text-quiet">
        {t('Each row starts from the house style of its site. Nothing is written to the Shelf before you say so.')}
      </p>
    </div>
  );
}
