import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { PLAYER_FIELDS, type HostCard, type PlayerMessages } from '../../../../core/known/hosts/card.ts';
import { ENCODING_WORDS, EVENT_WORDS, FIELD_WORDS } from '../../../../messages/cardEditor.ts';
import { without, type Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { RowEnds } from './RowEnds.tsx';
import { t } from '../../../../messages/t.ts';
import { ChoiceField } from '../../../fields/ChoiceField.tsx';

const NONE: PlayerMessages = { encoding: 'object', event: 'event', events: { play: 'playing' }, fields: {}, ask: {} };

/** How the host's player reports: what stands for what in its messages. */
export function PlayerPart({ card, change }: { card: HostCard; change: Change }): ReactElement {
  const { player } = card;
  if (!player)
    return (
      <section aria-label={t('Player messages')}>
        <h3>{t('Player messages')}</h3>
        <p className="text-quiet">
          {t('It is not known how its player reports. On the page of the card you can listen to it; or')}{' '}
          <Button variant="outlined" onClick={() => change('player', { player: NONE })}>
            {t('Say it by hand')}
          </Button>
        </p>
      </section>
    );
  const set = (next: { [Key in keyof PlayerMessages]?: unknown }): string | null =>
    change('player', { player: { ...player, ...next } });
  const events = Object.entries(player.events);
  return (
    <section aria-label={t('Player messages')}>
      <h3>{t('Player messages')}</h3>
      <div className="line editor-fields">
        <ChoiceField
          label={t('A message is')}
          value={player.encoding}
          options={Object.entries(ENCODING_WORDS)}
          set={(encoding) => set({ encoding })}
        />
        <DraftField label={t('Its name stands at')} value={player.event} change={(event) => set({ event })} />
      </div>
      {events.map(([word, meaning], i) => (
        <div key={i} className="line editor-fields">
          <DraftField
            label={t('The name')}
            value={word}
            change={(text) => set({ events: Object.fromEntries(events.with(i, [text, meaning])) })}
          />
          <ChoiceField
            label={t('means that it')}
            value={meaning}
            options={Object.entries(EVENT_WORDS)}
            set={(event) => set({ events: { ...player.events, [word]: event } })}
          />
          <RowEnds what={t('the name {word}', { word })} remove={() => set({ events: without(player.events, word) })} />
        </div>
      ))}
      <RowEnds what={t('a name')} add={() => set({ events: { ...player.events, [`name${events.length + 1}`]: 'ready' } })} />
      <div className="line editor-fields">
        {PLAYER_FIELDS.map((name) => {
          const field = player.fields[name];
          return (
            <DraftField
              key={name}
              label={t('{field} at', { field: FIELD_WORDS[name] })}
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
