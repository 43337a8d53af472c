import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import { honourOf } from '../../../core/known/hosts/honours.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import { inLanguage } from '../../../core/known/hosts/inLanguage.ts';
import { language } from '../../../messages/language.ts';
import { saySpelt } from '../../../messages/teach.ts';
import { freeId, keepCards } from '../../state/ownCards.ts';
import { removeCard } from '../../state/removing.ts';
import { selectBook, selectCards } from '../../state/selectors.ts';
import { useAppSelector, type Store } from '../../state/store.ts';
import { saveFile } from '../../ui/files.ts';
import { Listen } from './Listen.tsx';
import { Proof } from './Proof.tsx';
import { TryIt } from './TryIt.tsx';
import { Turning } from './Turning.tsx';
import { t } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';
import { WordsField } from '../../fields/WordsField.tsx';

/** Who keeps a card. */
export type Whose = 'own' | 'team' | 'shipped';

const WHOSE: Record<Whose, string> = { own: t('your own card'), team: t('the team’s card'), shipped: t('came with Refenestra') };

/** One card: how its links turn into frame addresses, what the host honours, and what it asks for. */
export function CardView({ card, whose }: { card: HostCard; whose: Whose }): ReactElement {
  const own = whose === 'own';
  const [tried, setTried] = useState('');
  const book = useAppSelector(selectBook);
  const told = inLanguage(card, language());
  return (
    <>
      <header className="line items-baseline gap-x-4 gap-y-1">
        <h2>{card.name}</h2>
        <span className="text-quiet">{t('{whose}, as of {updated}', { whose: WHOSE[whose], updated: card.updated })}</span>
        <Actions card={card} own={own} />
      </header>
      <h3>{t('From link to frame')}</h3>
      <ul className="turnings">
        {examplesOf(told).map(([example, words]) => (
          <Turning key={example} text={example} words={words} host={card.id} book={book} />
        ))}
      </ul>
      <WordsField
        label={t('Try a link')}
        className="try"
        placeholder={t('paste any link of this host')}
        value={tried}
        set={setTried}
      />
      {tried.trim() !== '' && (
        <ul className="turnings">
          <Turning text={tried} words={t('your link')} host={card.id} book={book} />
        </ul>
      )}
      <h3>{t('Settings')}</h3>
      <SettingsTable card={told} />
      <Conditions card={told} />
      {own && <Listen card={card} />}
      {own && <TryIt card={card} />}
      <Proof card={card} />
    </>
  );
}

/** Each example once, in the order of the card, with the name of the first form that it stands for. */
function examplesOf({ links }: HostCard): (readonly [example: string, words: string])[] {
  const all = links.flatMap(({ examples, name }) => examples.map((example) => [example, name] as const));
  return all.filter(([example], i) => all.findIndex(([one]) => one === example) === i);
}

function Actions({ card, own }: { card: HostCard; own: boolean }): ReactElement {
  const store = useStore() as Store;
  const navigate = useNavigate();
  const cards = useAppSelector(selectCards);
  const copy = (): void => {
    const id = freeId(card.id, new Set(cards.map((one) => one.id)));
    void keepCards(store, [{ ...card, id, name: `${card.name} (copy)`.slice(0, 60) }]).then(() => navigate(`/hosts/${id}/edit`));
  };
  return (
    <span className="ml-auto">
      {own && <Button onClick={() => void navigate(`/hosts/${card.id}/teach`)}>{t('Teach it more')}</Button>}
      {own && <Button onClick={() => void navigate(`/hosts/${card.id}/edit`)}>{t('Edit')}</Button>}
      <Button onClick={copy}>{t('Copy as my own')}</Button>
      <Button onClick={() => saveFile(`${card.id}.json`, JSON.stringify(card, null, 2))}>{t('Export')}</Button>
      {own && <Button onClick={() => void removeCard(store, card).then(() => navigate('/hosts'))}>{t('Remove')}</Button>}
    </span>
  );
}

function SettingsTable({ card }: { card: HostCard }): ReactElement {
  const ids = Object.keys(card.settings) as SettingId[];
  if (ids.length === 0)
    return <p className="text-quiet">{t('This host honours no settings; only the frame itself can be set.')}</p>;
  return (
    <table className="[&_:is([data-how='in_part'],[data-how=withdrawn])_td]:text-amber">
      <thead>
        <tr>
          <th scope="col">{t('Setting')}</th>
          <th scope="col">{t('Sent as')}</th>
          <th scope="col">{t('What it does today')}</th>
        </tr>
      </thead>
      <tbody>
        {ids.map((id) => (
          <SettingRow key={id} card={card} id={id} />
        ))}
      </tbody>
    </table>
  );
}

function SettingRow({ card, id }: { card: HostCard; id: SettingId }): ReactElement {
  const use = card.settings[id]!;
  const honour = honourOf(card, id);
  const note =
    'note' in honour
      ? `${honour.note} (${honour.date})`
      : use.in !== 'nowhere' && use.note
        ? `${use.note.text} (${use.note.date})`
        : '';
  return (
    <tr data-how={honour.how}>
      <th scope="row">{labelOf(id)}</th>
      <td>{'as' in honour ? <code>{saySpelt(id, card)}</code> : t('withdrawn')}</td>
      <td>{note || t('As asked.')}</td>
    </tr>
  );
}

function Conditions({ card }: { card: HostCard }): ReactElement | null {
  const rows = Object.entries(card.targets).flatMap(([name, { access }]) => access.map((one) => ({ name, ...one })));
  const unique = rows.filter((row, i) => rows.findIndex((other) => other.words === row.words) === i);
  if (unique.length === 0) return null;
  return (
    <>
      <h3>{t('Conditions')}</h3>
      <ul className="bullets">
        {unique.map(({ words, remedy, date }) => (
          <li key={words}>
            {words} {remedy} <small>({date})</small>
          </li>
        ))}
      </ul>
    </>
  );
}
