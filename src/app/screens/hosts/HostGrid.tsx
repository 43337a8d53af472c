import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import { honourOf, type Honour } from '../../../core/known/hosts/honours.ts';
import { KINDS, type Kind } from '../../../core/model/kind.ts';
import { makesSense, settingOf, SETTINGS } from '../../../core/known/settings/list.ts';
import { sayKinds } from '../../../messages/kinds.ts';
import { t } from '../../../messages/t.ts';
import { helpOf, labelOf } from '../../../messages/labels.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { SearchField } from '../../fields/SearchField.tsx';

const SIGNS: Record<Honour['how'], string> = { sent: '', 'in part': '◐ ', withdrawn: '✗ ', 'done here': '✓', 'not offered': '·' };

const HOW: Record<Honour['how'], string> = {
  sent: t('sent'),
  'in part': t('in part'),
  withdrawn: t('withdrawn'),
  'done here': t('done here'),
  'not offered': t('not offered'),
};

/** All hosts against all settings, or those of a name, or for a kind of item. */
export function HostGrid({ cards }: { cards: readonly HostCard[] }): ReactElement {
  const [words, setWords] = useState('');
  const [kind, setKind] = useState<Kind | ''>('');
  const wanted = words.trim().toLowerCase();
  const rows = SETTINGS.filter(({ id }) => {
    if (wanted !== '') return `${labelOf(id)} ${helpOf(id)}`.toLowerCase().includes(wanted);
    if (kind !== '') return makesSense(id, kind) && settingOf(id).kinds !== undefined;
    return true;
  });
  const shown = kind === '' ? cards : cards.filter((card) => Object.values(card.targets).some((target) => target.kind === kind));
  return (
    <>
      <div className="mt-0 mb-1.5 flex gap-2">
        <SearchField label={t('Find a setting')} value={words} set={setWords} />
        <ChoiceField
          label={t('Kind of item')}
          labelled="hidden"
          value={kind}
          options={[['', t('All kinds')], ...KINDS.map((one) => [one, sayKinds(one)] as const)]}
          set={setKind}
        />
      </div>
      <p className="mt-0 mb-2 text-quiet">
        {t(
          'A word is what the host is sent for the setting. ◐ in part: point at it for what really happens. ✗ withdrawn by the host. ✓ done by the code itself, at any host. · not offered.',
        )}
      </p>
      <div
        className="grid-frame relative max-h-[calc(100vh_-_120px)] overflow-auto border border-line bg-pane"
        tabIndex={0}
        role="region"
        aria-label={t('All hosts against all settings')}
      >
        <table className="book-grid [border-collapse:separate] [border-spacing:0] text-small [&_a]:font-bold [&_a]:text-green">
          <thead>
            <tr>
              <th scope="col">{t('Setting')}</th>
              {shown.map(({ id, name }) => (
                <th key={id} scope="col">
                  <Link to={`/hosts/${id}`}>{name}</Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id }) => (
              <tr key={id}>
                <th scope="row">{labelOf(id)}</th>
                {shown.map((card) => (
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
        {HOW[honour.how]}
        {note && `: ${note}`}
      </span>
    </td>
  );
}
