import { Button } from '@mui/material';
import { useMemo, useState, type ReactElement } from 'react';
import { makeBook } from '../../../core/known/hosts/book.ts';
import type { HostCard } from '../../../core/known/hosts/card.ts';
import type { MovedEdge } from '../../../core/teach/edges.ts';
import type { SaidPart } from '../../../core/teach/parts.ts';
import type { Kind } from '../../../core/model/kind.ts';
import type { SettingId } from '../../../core/known/settings/list.ts';
import type { Fact } from '../../../core/teach/facts.ts';
import { frameOf } from '../../../core/teach/reproduce.ts';
import { KIND_WORDS } from '../../../messages/kinds.ts';
import { CERTAINTY_WORDS, sayFrom, saySpelt } from '../../../messages/teach.ts';
import { LinkDrawing } from '../../card/LinkDrawing.tsx';
import { Taken } from '../../card/Taken.tsx';
import { t } from '../../../messages/t.ts';
import { labelOf } from '../../../messages/labels.ts';
import { ChoiceField } from '../../fields/ChoiceField.tsx';
import { WordsField } from '../../fields/WordsField.tsx';

interface Props {
  card: HostCard;
  facts: readonly Fact[];
  name: string;
  call: (name: string) => void;
  judge: (kind: Kind | '') => void;
  drop: (setting: SettingId) => void;
  /** The links that were brought. */
  brought: readonly string[];
  say: (part: SaidPart) => void;
  move: (edge: MovedEdge) => void;
}

/** The card as a drawing: links and the frames that are made of them, then the settings, each with how sure it is. */
export function Understood({ card, facts, name, call, judge, drop, brought, say, move }: Props): ReactElement {
  const book = useMemo(() => makeBook([card]), [card]);
  const links = card.links.filter(({ framed }) => !framed);
  const factAt = (at: string): Fact | undefined => facts.find((fact) => fact.at === at);
  return (
    <>
      <div className="line gap-4">
        <WordsField label={t('Name of the host')} placeholder={card.name} value={name} set={call} />
        <ChoiceField
          label={t('Kind')}
          value={Object.values(card.targets)[0]!.kind}
          options={Object.entries(KIND_WORDS)}
          set={judge}
        />
      </div>
      {links.map((link) => {
        const [example] = link.examples;
        const frame = frameOf(example!, {}, book);
        const at = `/links/${card.links.indexOf(link)}`;
        return (
          <div key={link.id} className="drawn">
            <LinkDrawing card={card} form={link} book={book} links={brought} say={say} move={move} />
            <p aria-hidden="true">{t('becomes')}</p>
            {frame ? (
              <ul className="link-parts" aria-label={t('The frame address, taken apart')}>
                <Taken address={frame} book={book} />
              </ul>
            ) : (
              <p>{t('script code of the host, with what names the item in its attributes')}</p>
            )}
            <Sure fact={factAt(at)} />
          </div>
        );
      })}
      <table className="[&_caption]:text-left [&_caption]:font-bold">
        <caption>{t('Settings')}</caption>
        <thead>
          <tr>
            <th scope="col">{t('Setting')}</th>
            <th scope="col">{t('As it spells it')}</th>
            <th scope="col">{t('How sure')}</th>
            <th scope="col">
              <span className="hidden-words">{t('Take back')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {(Object.keys(card.settings) as SettingId[]).map((id) => (
            <tr key={id}>
              <th scope="row">{labelOf(id)}</th>
              <td>
                <code>{saySpelt(id, card)}</code>
              </td>
              <td>
                <Sure fact={factAt(`/settings/${id}`)} />
              </td>
              <td>
                <Button aria-label={t('Take back {setting}', { setting: labelOf(id) })} onClick={() => drop(id)}>
                  {t('Take back')}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {Object.keys(card.settings).length === 0 && (
        <p className="text-quiet">{t('None yet. Paste the code that the host gives with one box ticked, such as autoplay.')}</p>
      )}
      <Trial card={card} />
    </>
  );
}

function Sure({ fact }: { fact: Fact | undefined }): ReactElement | null {
  if (!fact) return null;
  return (
    <small className="data-[certainty=certain]:font-bold data-[certainty=certain]:text-green" data-certainty={fact.certainty}>
      {CERTAINTY_WORDS[fact.certainty]}, {sayFrom(fact.from)}
    </small>
  );
}

/** A link that nobody brought, to see what the card makes of it. */
function Trial({ card }: { card: HostCard }): ReactElement {
  const [link, setLink] = useState('');
  const book = useMemo(() => makeBook([card]), [card]);
  const frame = link.trim() === '' ? undefined : frameOf(link.trim(), {}, book);
  return (
    <div className="my-3 [&_.box]:type-code [&_.field]:w-full">
      <WordsField label={t('Try another link')} value={link} set={setLink} />
      <p className="my-1 min-h-[1.5em] wrap-anywhere" role="status">
        {frame === null && t('The card does not know this link. Bring it with its code, and it will.')}
        {frame && <code>{frame}</code>}
      </p>
    </div>
  );
}
