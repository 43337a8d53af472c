import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import { honourOf, type Honour } from '../../../core/known/hosts/honours.ts';
import { SETTINGS } from '../../../core/known/settings/list.ts';

const SIGNS: Record<Honour['how'], string> = { sent: '', 'in part': '◐ ', withdrawn: '✗ ', 'not offered': '·' };

/** All hosts against all settings. */
export function HostGrid({ cards }: { cards: readonly HostCard[] }): ReactElement {
  const rows = SETTINGS.filter(({ id, moment }) => moment !== 'frame' || cards.some((card) => card.settings[id]));
  return (
    <>
      <p className="quiet grid-key">
        A word is what the host is sent for the setting. ◐ in part: point at it for what really happens. ✗ withdrawn by the host.
        · not offered.
      </p>
      <div className="grid-frame" tabIndex={0} role="region" aria-label="All hosts against all settings">
        <table className="grid">
          <thead>
            <tr>
              <th scope="col">Setting</th>
              {cards.map(({ id, name }) => (
                <th key={id} scope="col">
                  <Link to={`/hosts/${id}`}>{name}</Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, label }) => (
              <tr key={id}>
                <th scope="row">{label}</th>
                {cards.map((card) => (
                  <Cell key={card.id} honour={honourOf(card, id)} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Cell({ honour }: { honour: Honour }): ReactElement {
  const note = 'note' in honour ? `${honour.note} (${honour.date})` : undefined;
  return (
    <td data-how={honour.how} title={note}>
      <span aria-hidden="true">{SIGNS[honour.how]}</span>
      {'as' in honour ? <code>{honour.as}</code> : null}
      {honour.how === 'withdrawn' && honour.date.slice(0, 7)}
      <span className="hidden-words">
        {honour.how}
        {note && `: ${note}`}
      </span>
    </td>
  );
}
