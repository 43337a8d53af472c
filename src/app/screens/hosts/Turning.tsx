import { Fragment, type ReactElement, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { HostBook } from '../../../core/known/hosts/book.ts';
import { bringIn } from '../../../core/pipeline.ts';
import { anatomy, type Segment } from '../../../core/steps/recognise/anatomy.ts';
import { sayMeaning, sayRefusal } from '../../../messages/reading.ts';
import { showList, t } from '../../../messages/t.ts';

interface Props {
  text: string;
  words: string;
  host: string;
  book: HostBook;
  children?: ReactNode;
}

/** A link turning into its frame address, by the real recogniser, with the part that both share. */
export function Turning({ text, words, host, book, children }: Props): ReactElement {
  const read = bringIn(text, book)[0]!;
  const { item, refusal } = read;
  const ids = Object.values(item?.captures ?? {});
  return (
    <li className="col-span-full grid grid-cols-subgrid items-baseline border-t border-hair py-[5px]">
      <small className="max-w-[170px]">{words}</small>
      <span className="turning-link type-code wrap-anywhere [&_[data-role='form']]:text-quiet [&_[data-role='setting']]:border-b-2 [&_[data-role='setting']]:border-b-line">
        <Taken text={text} segments={anatomy(text, read, book)} />
      </span>
      <span className="text-quiet" aria-label={t('turns into')}>
        ⟶
      </span>
      <span className="turning-frame type-code wrap-anywhere [&_em]:[font-family:var(--sans)] [&_em]:text-amber">
        {item ? (
          <Marked text={item.frame ?? t('script code: the host has no frame')} parts={ids} />
        ) : (
          <em>{sayRefusal(refusal)}</em>
        )}
        {item && item.host !== host && (
          <em>
            {item.host === null ? t(' no card knows it') : t(' another card takes it: ')}
            {item.host && <Link to={`/hosts/${item.host}`}>{book.byId.get(item.host)?.card.name}</Link>}
          </em>
        )}
        {item?.rivals && (
          <em>
            {t('. {count, plural, one {{rivals} claims this link just as well} other {{rivals} claim this link just as well}}', {
              rivals: showList(item.rivals),
              count: item.rivals.length,
            })}
          </em>
        )}
        {children}
      </span>
    </li>
  );
}

/** The link with each part in its own tone, and the signs between the parts. */
function Taken({ text, segments }: { text: string; segments: readonly Segment[] }): ReactElement {
  return (
    <>
      {segments.map(({ range, meaning }, i) => (
        <Fragment key={range[0]}>
          {text.slice(segments[i - 1]?.range[1] ?? 0, range[0])}
          <span data-role={meaning.role} title={sayMeaning(meaning)}>
            {text.slice(...range)}
          </span>
        </Fragment>
      ))}
      {text.slice(segments.at(-1)?.range[1] ?? 0)}
    </>
  );
}

/** The address with its identity made visible. */
function Marked({ text, parts }: { text: string; parts: readonly string[] }): ReactElement {
  const pieces: ReactElement[] = [];
  let rest = text;
  for (;;) {
    const [at, part] = parts
      .map((p) => [rest.indexOf(p), p] as const)
      .filter(([index, p]) => index >= 0 && p !== '')
      .sort(([a], [b]) => a - b)[0] ?? [-1, ''];
    if (at < 0) break;
    pieces.push(<span key={pieces.length}>{rest.slice(0, at)}</span>, <b key={`b${pieces.length}`}>{part}</b>);
    rest = rest.slice(at + part.length);
  }
  return (
    <code>
      {pieces}
      {rest}
    </code>
  );
}
