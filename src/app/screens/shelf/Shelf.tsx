import './shelf.css';
import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import type { SettingValue } from '../../../core/model/values.ts';
import type { SettingId } from '../../../core/settings/list.ts';
import { KIND_WORDS, saySetting } from '../../../messages/en.ts';
import { useAppSelector } from '../../state/store.ts';
import { listEmbeds, removeEmbed, restoreEmbed, type SavedEmbed } from '../../storage/database.ts';

/** Everything saved, last changed first. */
export function Shelf(): ReactElement {
  const embeds = useLiveQuery(() => listEmbeds().catch(() => null));
  const [removed, setRemoved] = useState<SavedEmbed | null>(null);
  return (
    <div className="shelf">
      <h1>Shelf</h1>
      {removed && (
        <p className="shelf-removed" role="status">
          “{removed.title}” is off the Shelf.{' '}
          <Button variant="outlined" onClick={() => void restoreEmbed(removed).then(() => setRemoved(null))}>
            Put it back
          </Button>
        </p>
      )}
      {embeds === null && (
        <p role="alert">
          This window keeps no data, so the Shelf stays empty. Open Refenestra in an ordinary window to keep what you make.
        </p>
      )}
      {embeds?.length === 0 && (
        <p className="quiet">
          Nothing is kept yet. Whatever you paste and change on the <Link to="/bench/example">Bench</Link> comes here by itself.
        </p>
      )}
      {embeds && embeds.length > 0 && (
        <Rows embeds={embeds} onRemove={(embed) => void removeEmbed(embed.id).then(() => setRemoved(embed))} />
      )}
    </div>
  );
}

function Rows({ embeds, onRemove }: { embeds: SavedEmbed[]; onRemove: (embed: SavedEmbed) => void }): ReactElement {
  const sites = useAppSelector((state) => state.world.sites);
  const cards = useAppSelector((state) => state.world.cards);
  const siteOf = (id: string): string => sites.find((site) => site.id === id)?.name ?? sites[0]?.name ?? '';
  return (
    <div className="shelf-scroll" tabIndex={0} role="region" aria-label="Saved embeds">
      <table>
        <thead>
          <tr>
            <th scope="col">Title</th>
            <th scope="col">What it is</th>
            <th scope="col">Host</th>
            <th scope="col">What was set</th>
            <th scope="col">For the site</th>
            <th scope="col">Changed</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {embeds.map((embed) => (
            <tr key={embed.id}>
              <th scope="row">
                <Link to={`/bench/${embed.id}`}>{embed.title}</Link>
              </th>
              <td>{KIND_WORDS[embed.kind]?.replace(/^an? /, '') ?? 'not recognised'}</td>
              <td>{cards.find((card) => card.id === embed.host)?.name ?? '–'}</td>
              <td className="shelf-set">{setWords(embed)}</td>
              <td>{siteOf(embed.work.site)}</td>
              <td className="number">{when.format(embed.changed)}</td>
              <td>
                <Button aria-label={`Remove ${embed.title}`} onClick={() => onRemove(embed)}>
                  Remove
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const when = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });

/** The settings that the publisher touched, as the sentences of the Bench. */
function setWords({ work }: SavedEmbed): string {
  const touched = Object.entries(work.changes).filter(([id, value]) => value !== null && id !== 'title') as [
    SettingId,
    SettingValue,
  ][];
  return touched.map(([id, value]) => saySetting(id, value)).join(' · ') || 'as the link says';
}
