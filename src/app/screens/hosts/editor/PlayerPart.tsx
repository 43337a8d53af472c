import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { PLAYER_FIELDS, type HostCard, type PlayerMessages } from '../../../../core/known/hosts/card.ts';
import { ENCODING_WORDS, EVENT_WORDS, FIELD_WORDS } from '../../../../messages/cardEditor.ts';
import { without, type Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { RowEnds } from './RowEnds.tsx';

const NONE: PlayerMessages = { encoding: 'object', event: 'event', events: { play: 'playing' }, fields: {}, ask: {} };

/** How the host's player reports: what stands for what in its messages. */
export function PlayerPart({ card, change }: { card: HostCard; change: Change }): ReactElement {
  const { player } = card;
  if (!player)
    return (
      <section aria-label="Player messages">
        <h3>Player messages</h3>
        <p className="quiet">
          It is not known how its player reports. On the page of the card you can listen to it; or{' '}
          <Button variant="outlined" onClick={() => change('player', { player: NONE })}>
            Say it by hand
          </Button>
        </p>
      </section>
    );
  const set = (next: { [Key in keyof PlayerMessages]?: unknown }): string | null =>
    change('player', { player: { ...player, ...next } });
  const events = Object.entries(player.events);
  return (
    <section aria-label="Player messages">
      <h3>Player messages</h3>
      <div className="editor-fields">
        <label className="draft-field">
          <span>A message is</span>
          <select value={player.encoding} onChange={({ target }) => set({ encoding: target.value })}>
            {Object.entries(ENCODING_WORDS).map(([encoding, words]) => (
              <option key={encoding} value={encoding}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <DraftField label="Its name stands at" value={player.event} change={(event) => set({ event })} />
      </div>
      {events.map(([word, meaning], i) => (
        <div key={i} className="editor-fields">
          <DraftField
            label="The name"
            value={word}
            change={(text) => set({ events: Object.fromEntries(events.with(i, [text, meaning])) })}
          />
          <label className="draft-field">
            <span>means that it</span>
            <select value={meaning} onChange={({ target }) => set({ events: { ...player.events, [word]: target.value } })}>
              {Object.entries(EVENT_WORDS).map(([event, words]) => (
                <option key={event} value={event}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <RowEnds what={`the name ${word}`} remove={() => set({ events: without(player.events, word) })} />
        </div>
      ))}
      <RowEnds what="a name" add={() => set({ events: { ...player.events, [`name${events.length + 1}`]: 'ready' } })} />
      <div className="editor-fields">
        {PLAYER_FIELDS.map((name) => {
          const field = player.fields[name];
          return (
            <DraftField
              key={name}
              label={`${FIELD_WORDS[name]} at`}
              value={field?.at ?? ''}
              change={(at) =>
                set({ fields: at === '' ? without(player.fields, name) : { ...player.fields, [name]: { ...field, at } } })
              }
            />
          );
        })}
      </div>
    </section>
  );
}
