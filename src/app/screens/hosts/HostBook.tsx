import './hosts.css';
import type { ReactElement } from 'react';
import { NavLink, useParams } from 'react-router';
import { selectGiven } from '../../state/answers.ts';
import { selectCards } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { CardEditor } from './editor/CardEditor.tsx';
import { CardView, type Whose } from './CardView.tsx';
import { HostGrid } from './HostGrid.tsx';
import { Libraries } from './Libraries.tsx';
import { Imports } from './Imports.tsx';
import { t } from '../../../messages/t.ts';

/** What is known of each host: one card, all of them against all settings, or a card being written. */
export function HostBook({ part }: { part: 'grid' | 'card' | 'edit' | 'libraries' }): ReactElement {
  const { id = '' } = useParams();
  const cards = useAppSelector(selectCards);
  const own = useAppSelector((state) => state.world.ownCards);
  const team = useAppSelector((state) => selectGiven(state).team.cards);
  const whose = (cardId: string): Whose =>
    own.some((one) => one.id === cardId) ? 'own' : team.includes(cardId) ? 'team' : 'shipped';
  const card = cards.find((one) => one.id === id);
  return (
    <div className="hosts grid h-full grid-cols-[152px_minmax(0,1fr)] max-desk:block max-desk:overflow-auto [&_h2]:my-0 [&_h2]:text-head">
      <nav className="side-list" aria-label={t('Host cards')}>
        <h1>{t('Host book')}</h1>
        <NavLink to="/hosts" end>
          {t('All hosts, all settings')}
        </NavLink>
        <NavLink to="/hosts/teach">{t('Teach a host')}</NavLink>
        <NavLink to="/hosts/libraries">{t('Card libraries')}</NavLink>
        <ul className="max-desk:columns-2">
          {cards.map(({ id: cardId, name }) => (
            <li key={cardId}>
              <NavLink to={`/hosts/${cardId}`}>
                {name} <small>{{ own: t('your own'), team: t('the team’s'), shipped: '' }[whose(cardId)]}</small>
              </NavLink>
            </li>
          ))}
        </ul>
        <Imports />
      </nav>
      <section className="min-w-0 overflow-auto px-2 py-4">
        {part === 'grid' && <HostGrid cards={cards} />}
        {part === 'libraries' && <Libraries />}
        {(part === 'card' || part === 'edit') && !card && cards.length > 0 && (
          <p className="text-quiet">{t('No card has the id “{id}”. Choose one from the list, or bring one in.', { id })}</p>
        )}
        {part === 'card' && card && <CardView key={id} card={card} whose={whose(id)} />}
        {part === 'edit' && card && <CardEditor key={id} card={card} />}
      </section>
    </div>
  );
}
