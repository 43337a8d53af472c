import { Button } from '@mui/material';
import { useEffect, useState, type ReactElement } from 'react';
import { kitAsHtml, kitAsMarkdown, tidyAddress, type Kit } from '../../../core/many/kit/kit.ts';
import { MOST, type SavedEmbed } from '../../../core/keeping/shelf/saved.ts';
import { loadPicture } from '../../state/server.ts';
import { changeEmbeds } from '../../storage/embeds.ts';
import { copyText } from '../../copyText.ts';
import { saveFile } from '../../ui/files.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { useAppSelector } from '../../state/store.ts';
import { t, within } from '../../../messages/t.ts';
import { WordsField } from '../../fields/WordsField.tsx';

const PARTS = [
  ['heading', t('Heading')],
  ['description', t('Description')],
  ['address', t('Address of the page')],
  ['date', t('Date')],
  ['author', t('Author')],
  ['code', t('Code')],
] as const;

const LONG: Partial<Record<keyof Kit, { lines: number }>> = { description: { lines: 3 }, code: { lines: 5 } };

/** What belongs into a post beside the embed, each part copied in one press, or all of it as one text. */
export function PostKit({ embed, close }: { embed: SavedEmbed; close: () => void }): ReactElement {
  const { facts, work } = embed;
  const today = useAppSelector((state) => state.view.today);
  const file = useCoverFile(embed);
  const [kit, setKit] = useState<Omit<Kit, 'cover'>>({
    heading: embed.title,
    description: facts.description ?? '',
    address: tidyAddress(embed.title),
    date: work.pageOut ?? today,
    author: facts.author ?? '',
    code: embed.code,
  });
  const [said, setSaid] = useState('');
  const whole: Kit = { ...kit, cover: file?.name ?? '' };
  const copy = (what: string, text: string): void =>
    void copyText(text).then(
      () => setSaid(t('{what} copied.', { what })),
      () => setSaid(t('The browser refused to copy. Select the text and copy it by hand.')),
    );
  const keep = (): void =>
    void changeEmbeds([embed.id], (one) => ({ facts: { ...one.facts, description: kit.description } }), Date.now());
  return (
    <DialogFrame
      title={t('Texts for a post')}
      close={close}
      wide
      actions={
        <>
          <Button variant="contained" onClick={() => copy(t('Markdown'), kitAsMarkdown(whole))}>
            {t('Copy all as Markdown')}
          </Button>
          <Button variant="outlined" onClick={() => copy('HTML', kitAsHtml(whole))}>
            {t('Copy all as HTML')}
          </Button>
          {file && (
            <Button variant="outlined" onClick={() => saveFile(file.name, file.bytes, file.type)}>
              {t('Save the cover file')}
            </Button>
          )}
        </>
      }
    >
      {PARTS.map(([part, label]) => (
        <div key={part} className="mb-2 grid grid-cols-[minmax(0,1fr)_auto] items-end gap-2">
          <WordsField
            label={label}
            labelled="above"
            value={kit[part]}
            set={(text) => setKit({ ...kit, [part]: text })}
            {...LONG[part]}
            control={{
              maxLength: MOST.description,
              readOnly: part === 'code',
              spellCheck: part === 'heading' || part === 'description',
              ...(part === 'description' && { onBlur: keep }),
            }}
          />
          <Button
            aria-label={t('Copy {label}', { label: within(label) })}
            disabled={kit[part] === ''}
            onClick={() => copy(label, kit[part])}
          >
            {t('Copy')}
          </Button>
        </div>
      ))}
      <p role="status">{said}</p>
    </DialogFrame>
  );
}

interface PictureFile {
  name: string;
  type: string;
  bytes: Uint8Array<ArrayBuffer>;
}

/** The cover as a file: the one that was cut for the embed, or else the host's own. */
function useCoverFile({ title, work, facts }: SavedEmbed): PictureFile | null {
  const [file, setFile] = useState<PictureFile | null>(null);
  const { cover } = work.changes;
  const address = typeof cover === 'string' ? cover : facts.cover;
  useEffect(() => {
    let current = true;
    const take = ({ type, bytes }: Omit<PictureFile, 'name'>): void => {
      const ending = type.replace('image/', '').replace('jpeg', 'jpg');
      if (current) setFile({ name: `${tidyAddress(title)}.${ending}`, type, bytes });
    };
    if (address?.startsWith('data:')) take(readDataAddress(address));
    else if (address)
      loadPicture(address)
        .then(async (blob) => take({ type: blob.type, bytes: new Uint8Array(await blob.arrayBuffer()) }))
        .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [address, title]);
  return file;
}

/** The bytes of a `data:` address (RFC 2397). */
function readDataAddress(address: string): Omit<PictureFile, 'name'> {
  const [, type = 'image/webp', data = ''] = /^data:([^;]+);base64,(.*)$/s.exec(address) ?? [];
  return { type, bytes: Uint8Array.from(atob(data), (sign) => sign.charCodeAt(0)) };
}
