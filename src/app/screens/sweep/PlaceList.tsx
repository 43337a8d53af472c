import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactElement } from 'react';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import { sayFinding } from '../../../messages/findings.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import { sayHost } from '../../../messages/sweep.ts';
import { selectBook } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { keyOf } from '../../sweep/run.ts';
import { t } from '../../../messages/t.ts';

interface Props {
  embeds: readonly SweptEmbed[];
  spared: ReadonlySet<string>;
  spare: (key: string, spared: boolean) => void;
  open: string | null;
  choose: (key: string | null) => void;
}

/** Height of a row in pixels. */
const ROW = 62;

/** The places of embeds; of many thousands only those in sight are drawn. */
export function PlaceList({ embeds, spared, spare, open, choose }: Props): ReactElement {
  const place = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: embeds.length,
    getScrollElement: () => place.current,
    estimateSize: () => ROW,
    overscan: 4,
    getItemKey: (i) => keyOf(embeds[i]!),
  });
  if (embeds.length === 0) return <p className="quiet">{t('None of the embeds is of this kind.')}</p>;
  return (
    <div className="sweep-list" ref={place} tabIndex={0} role="region" aria-label={t('Places')}>
      <ul style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ index, start, key }) => {
          const embed = embeds[index]!;
          const its = keyOf(embed);
          return (
            <li key={key} className="sweep-row" style={{ transform: `translateY(${start}px)`, height: ROW }}>
              <Place
                embed={embed}
                changes={!spared.has(its)}
                spare={(one) => spare(its, one)}
                open={open === its}
                choose={() => choose(open === its ? null : its)}
              />
            </li>
          );
        })}
      </ul>
    </div>
  );
}

interface PlaceProps {
  embed: SweptEmbed;
  changes: boolean;
  spare: (spared: boolean) => void;
  open: boolean;
  choose: () => void;
}

function Place({ embed, changes, spare, open, choose }: PlaceProps): ReactElement {
  const book = useAppSelector(selectBook);
  const { file, line, kind, host, item, title, findings, change } = embed;
  const [first] = findings;
  return (
    <>
      {change ? (
        <input
          type="checkbox"
          aria-label={t('Change {file}, line {line}', { file, line })}
          checked={changes}
          onChange={({ target }) => spare(!target.checked)}
        />
      ) : (
        <span />
      )}
      <button type="button" className="sweep-place" aria-expanded={open} onClick={choose}>
        <span className="sweep-file">
          {file}:{line}
        </span>
        <span>
          <span className="sweep-item">{title || item.replace(/^https?:\/\//, '')}</span>
          <small>
            {KIND_NAMES[kind]} · {sayHost({ host }, (id) => book.byId.get(id)?.card.name)}
          </small>
        </span>
        <span className="sweep-told" data-tone={first?.severity}>
          {first ? sayFinding(first) : t('Nothing was found.')}
          {findings.length > 1 && <small>{t('and {count} more', { count: findings.length - 1 })}</small>}
        </span>
      </button>
    </>
  );
}
