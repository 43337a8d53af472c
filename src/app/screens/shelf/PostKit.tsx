import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { kitAsHtml, kitAsMarkdown, tidyAddress, type Kit } from '../../../core/kit/kit.ts';
import type { SavedEmbed } from '../../../core/shelf/saved.ts';
import { changeEmbeds, findPictures } from '../../storage/embeds.ts';
import { coverFile } from '../../ui/coverFile.ts';
import { saveFile } from '../../ui/files.ts';
import { Pane } from '../../ui/Pane.tsx';
import { useAppSelector } from '../../state/store.ts';

const PARTS = [
  ['heading', 'Heading'],
  ['description', 'Description'],
  ['address', 'Address of the page'],
  ['date', 'Date'],
  ['author', 'Author'],
  ['code', 'Code'],
] as const;

/** What belongs into a post beside the embed, each part copied in one press, or all of it as one text. */
export function PostKit({ embed, close }: { embed: SavedEmbed; close: () => void }): ReactElement {
  const { facts, work } = embed;
  const today = useAppSelector((state) => state.view.today);
  const [face] = useLiveQuery(() => findPictures([embed.id]), [embed.id]) ?? [];
  const picture =
    typeof work.changes.cover === 'string' && work.changes.cover.startsWith('data:') ? work.changes.cover : face?.address;
  const file = picture === undefined ? null : coverFile(tidyAddress(embed.title), picture);
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
    void navigator.clipboard.writeText(text).then(
      () => setSaid(`${what} copied.`),
      () => setSaid('The browser refused to copy. Select the text and copy it by hand.'),
    );
  const keep = (): void =>
    void changeEmbeds([embed.id], (one) => ({ facts: { ...one.facts, description: kit.description } }), Date.now());
  return (
    <Pane
      title="Post kit"
      close={close}
      wide
      actions={
        <>
          <Button variant="contained" onClick={() => copy('Markdown', kitAsMarkdown(whole))}>
            Copy all as Markdown
          </Button>
          <Button variant="outlined" onClick={() => copy('HTML', kitAsHtml(whole))}>
            Copy all as HTML
          </Button>
          {file && (
            <Button variant="outlined" onClick={() => saveFile(file.name, file.bytes, file.type)}>
              Save the cover file
            </Button>
          )}
        </>
      }
    >
      <div className="kit">
        {PARTS.map(([part, label]) => (
          <div key={part}>
            <label>
              <span>{label}</span>
              {part === 'description' || part === 'code' ? (
                <textarea
                  rows={part === 'code' ? 5 : 3}
                  value={kit[part]}
                  readOnly={part === 'code'}
                  onChange={(event) => setKit({ ...kit, [part]: event.target.value })}
                  onBlur={part === 'description' ? keep : undefined}
                />
              ) : (
                <input value={kit[part]} onChange={(event) => setKit({ ...kit, [part]: event.target.value })} />
              )}
            </label>
            <Button aria-label={`Copy ${label.toLowerCase()}`} disabled={kit[part] === ''} onClick={() => copy(label, kit[part])}>
              Copy
            </Button>
          </div>
        ))}
      </div>
      <p role="status">{said}</p>
    </Pane>
  );
}
