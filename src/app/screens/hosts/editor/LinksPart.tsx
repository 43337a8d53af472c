import { Button } from '@mui/material';
import { useState, type ReactElement } from 'react';
import type { HostBook } from '../../../../core/known/hosts/book.ts';
import type { HostCard, LinkForm } from '../../../../core/known/hosts/card.ts';
import { withEdge } from '../../../../core/teach/edges.ts';
import { withParts } from '../../../../core/teach/parts.ts';
import { frameOf } from '../../../../core/teach/reproduce.ts';
import { LinkDrawing } from '../../../card/LinkDrawing.tsx';
import { Taken } from '../../../card/Taken.tsx';
import { Turning } from '../Turning.tsx';
import type { Change } from './change.ts';
import { DraftField } from './DraftField.tsx';
import { t } from '../../../../messages/t.ts';
import { WordsField } from '../../../fields/WordsField.tsx';

interface Props {
  card: HostCard;
  /** All cards, with this one as it is now. */
  book: HostBook;
  change: Change;
  replace: (where: string, card: HostCard) => void;
}

/** Each form of link as a drawing: its parts, the frame that is made of it, and its examples as the book takes them now. */
export function LinksPart({ card, book, change, replace }: Props): ReactElement {
  return (
    <section aria-label={t('Links')}>
      <h3>{t('Links')}</h3>
      {card.links.map((form, i) => {
        const frame = frameOf(form.examples[0]!, {}, book);
        const withForm = (next: Partial<LinkForm>): string | null =>
          change(t('link {i}', { i }), { links: card.links.with(i, { ...form, ...next }) });
        return (
          <div key={form.id} className="drawn">
            <DraftField label={t('Name')} value={form.name} change={(name) => withForm({ name })} />
            {form.framed ? (
              <p>{t('the frame address itself, as it stands in codes')}</p>
            ) : (
              <LinkDrawing
                card={card}
                form={form}
                book={book}
                links={[]}
                say={(part) => replace(t('part {i}', { i }), withParts(card, [part]))}
                move={(edge) => {
                  const next = withEdge(card, edge);
                  if (next) replace(t('edge {i}', { i }), next);
                }}
              />
            )}
            <p aria-hidden="true">{t('becomes')}</p>
            {frame ? (
              <ul className="link-parts" aria-label={t('The frame address, taken apart')}>
                <Taken address={frame} book={book} />
              </ul>
            ) : (
              <p>{form.refused ? form.refused.why : t('script code of the host')}</p>
            )}
            <Examples form={form} book={book} card={card} set={(examples) => withForm({ examples })} />
          </div>
        );
      })}
    </section>
  );
}

interface ExamplesProps {
  form: LinkForm;
  book: HostBook;
  card: HostCard;
  set: (examples: string[]) => string | null;
}

function Examples({ form, book, card, set }: ExamplesProps): ReactElement {
  const [more, setMore] = useState('');
  const [why, setWhy] = useState<string | null>(null);
  return (
    <>
      <ul className="turnings" aria-label={t('Examples of {form}', { form: form.name })}>
        {form.examples.map((example, i) => (
          <Turning key={example} text={example} words={t('example {i}', { i: i + 1 })} host={card.id} book={book}>
            {form.examples.length > 1 && (
              <Button
                aria-label={t('Remove example {i} of {form}', { i: i + 1, form: form.name })}
                onClick={() => set(form.examples.filter((one) => one !== example))}
              >
                {t('Remove')}
              </Button>
            )}
          </Turning>
        ))}
      </ul>
      <form
        className="try"
        onSubmit={(event) => {
          event.preventDefault();
          const refused = set([...form.examples, more.trim()]);
          setWhy(refused);
          if (refused === null) setMore('');
        }}
      >
        <WordsField label={t('Another example')} value={more} set={setMore} />
        <Button type="submit" disabled={more.trim() === ''}>
          {t('Add it')}
        </Button>
        {why !== null && <small className="wrong">{why}</small>}
      </form>
    </>
  );
}
