import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useMemo, useRef, useState, type ReactElement } from 'react';
import type { SweptEmbed } from '../../../core/many/sweep/found.ts';
import type { Finding } from '../../../core/steps/check/finding.ts';
import { groupsOf, type Group, type Grouping } from '../../../core/many/sweep/groups.ts';
import { sayFinding } from '../../../messages/findings.ts';
import { KIND_NAMES } from '../../../messages/kinds.ts';
import { sayFile, sayHost, sayShortly } from '../../../messages/sweep.ts';
import { selectBook } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { keyOf } from '../../sweep/run.ts';
import { showNumber, t } from '../../../messages/t.ts';
import { TickBox } from '../../fields/Tick.tsx';

interface Props {
  embeds: readonly SweptEmbed[];
  /** What stands together; empty for all in the order of the site. */
  by: Grouping | '';
  spared: ReadonlySet<string>;
  spare: (key: string, spared: boolean) => void;
  open: string | null;
  choose: (key: string | null) => void;
}

/** Height of a row, and of the head of a group, in pixels. */
const ROW = 62;
const HEAD = 40;

/** A line of the list: the head of a group, or a place in it. */
type Line = { group: Group } | { embed: SweptEmbed; within: string };

function linesOf(embeds: readonly SweptEmbed[], by: Grouping | '', opened: ReadonlySet<string>): Line[] {
  const places = (some: readonly SweptEmbed[], within: string): Line[] => some.map((embed) => ({ embed, within }));
  if (by === '') return places(embeds, '');
  return groupsOf(embeds, by).flatMap((group) => [{ group }, ...(opened.has(group.key) ? places(group.embeds, group.key) : [])]);
}

/** The places of embeds; of many thousands only those in sight are drawn. */
export function PlaceList({ embeds, by, spared, spare, open, choose }: Props): ReactElement {
  const place = useRef<HTMLDivElement>(null);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const lines = useMemo(() => linesOf(embeds, by, opened), [embeds, by, opened]);
  const turn = (key: string): void => {
    const next = new Set(opened);
    if (!next.delete(key)) next.add(key);
    setOpened(next);
  };
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps a state of its own, and nothing of it is handed on
  const list = useVirtualizer({
    count: lines.length,
    getScrollElement: () => place.current,
    estimateSize: (i) => ('group' in lines[i]! ? HEAD : ROW),
    overscan: 4,
    // Lines of one height need not be measured anew when they are others.
    ...(by !== '' && { getItemKey: (i: number) => i }),
  });
  if (embeds.length === 0) return <p className="text-quiet">{t('None of the embeds is of this kind.')}</p>;
  return (
    <div className="rows" ref={place} tabIndex={0} role="region" aria-label={t('Places')}>
      <ul style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ index, start, size }) => {
          const line = lines[index]!;
          const style = { transform: `translateY(${start}px)`, height: size };
          if ('group' in line) {
            const { group } = line;
            return (
              <li key={group.key} className={PLACE} style={style}>
                <GroupHead group={group} by={by as Grouping} open={opened.has(group.key)} turn={() => turn(group.key)} />
              </li>
            );
          }
          const { embed, within } = line;
          const its = keyOf(embed);
          return (
            <li key={`${within} ${its}`} className={PLACE} style={style}>
              <Place
                embed={embed}
                told={embed.findings.find(({ code }) => by === 'finding' && code === within) ?? embed.findings[0]}
                changes={!spared.has(its)}
                spare={spare}
                open={open === its}
                choose={choose}
              />
            </li>
          );
        })}
      </ul>
    </div>
  );
}

interface GroupHeadProps {
  group: Group;
  by: Grouping;
  open: boolean;
  turn: () => void;
}

function GroupHead({ group: { key, embeds }, by, open, turn }: GroupHeadProps): ReactElement {
  const book = useAppSelector(selectBook);
  const [first] = embeds;
  const words = {
    finding: () => {
      const finding = first!.findings.find(({ code }) => code === key);
      return finding ? sayShortly(finding) : t('Nothing was found.');
    },
    host: () => sayHost({ host: first!.host }, (id) => book.byId.get(id)?.card.name),
    item: () => first!.title || key.replace(/^https?:\/\//, ''),
    file: () => sayFile(key),
  }[by];
  return (
    <button
      type="button"
      className="col-span-full flex h-[39px] items-center justify-between gap-3 pr-3 pl-1 hover:bg-green-wash"
      aria-expanded={open}
      onClick={turn}
    >
      <span className="truncate">
        <i className="inline-block w-5 not-italic" aria-hidden="true">
          {open ? '▾' : '▸'}
        </i>
        {words()}
      </span>
      <b>{showNumber(embeds.length)}</b>
    </button>
  );
}

/** A box to tick, and what it is for. */
const PLACE = 'grid-cols-[24px_minmax(0,1fr)] gap-0 py-0 pr-0 pl-2';

interface PlaceProps extends Pick<Props, 'spare' | 'choose'> {
  embed: SweptEmbed;
  /** The finding that is told in the list. */
  told: Finding | undefined;
  changes: boolean;
  open: boolean;
}

/** Drawn anew only where something of it is otherwise. */
const Place = memo(function Place({ embed, told, changes, spare, open, choose }: PlaceProps): ReactElement {
  const book = useAppSelector(selectBook);
  const { file, line, kind, host, item, title, findings, change } = embed;
  return (
    <>
      {change ? (
        <TickBox name={t('Change {file}, line {line}', { file, line })} on={changes} set={(on) => spare(keyOf(embed), !on)} />
      ) : (
        <span />
      )}
      <button
        type="button"
        className="sweep-place grid h-[61px] grid-cols-[minmax(0,1fr)_minmax(0,1.3fr)_minmax(0,1.6fr)] items-center gap-3 py-0 pr-3 pl-1 text-left hover:bg-green-wash aria-expanded:bg-green-wash max-tablet:grid-cols-[minmax(0,1fr)] max-tablet:gap-0 max-tablet:[&>:nth-child(2)]:hidden [&>span]:max-h-14 [&>span]:overflow-hidden [&>span]:wrap-anywhere"
        aria-expanded={open}
        onClick={() => choose(open ? null : keyOf(embed))}
      >
        <span className="type-code">
          {sayFile(file)}:{line}
        </span>
        <span>
          <span className="line-clamp-2">{title || item.replace(/^https?:\/\//, '')}</span>
          <small>
            {KIND_NAMES[kind]} · {sayHost({ host }, (id) => book.byId.get(id)?.card.name)}
          </small>
        </span>
        <span
          className="marked border-l-green data-[tone=error]:border-dashed data-[tone=error]:border-l-brick data-[tone=warning]:border-double data-[tone=warning]:border-l-amber max-tablet:text-ellipsis max-tablet:whitespace-nowrap"
          data-tone={told?.severity}
        >
          {told ? sayFinding(told) : t('Nothing was found.')}
          {findings.length > 1 && <small>{t('and {count} more', { count: findings.length - 1 })}</small>}
        </span>
      </button>
    </>
  );
});
