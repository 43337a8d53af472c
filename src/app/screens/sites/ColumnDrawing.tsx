import type { ReactElement } from 'react';
import type { Site } from '../../../core/model/site.ts';
import { SCREEN_NAMES } from '../../../messages/screens.ts';
import { t } from '../../../messages/t.ts';

/** The screens of the site to one scale, each with its column in it. */
export function ColumnDrawing({ site }: { site: Site }): ReactElement {
  const widest = Math.max(...Object.values(site.breakpoints), 1);
  return (
    <div
      className="mb-2.5 grid gap-1"
      role="img"
      aria-label={t('A column of {column} pixels on three screens, to scale', { column: site.column })}
    >
      {Object.entries(site.breakpoints).map(([name, width]) => {
        const column = Math.max(0, Math.min(site.column, width - 2 * site.margin));
        return (
          <div
            key={name}
            className="drawn-screen relative h-8.5 border border-line bg-ground"
            style={{ width: `${(100 * width) / widest}%` }}
          >
            <i
              className="mx-auto block h-4 border-x border-green bg-green-wash text-center font-mono text-tiny leading-4 not-italic"
              style={{ width: `${(100 * column) / width}%` }}
            >
              {column || ''}
            </i>
            <span className="block text-center text-tiny leading-[15px] whitespace-nowrap">
              {SCREEN_NAMES[name as keyof typeof SCREEN_NAMES]} {width || ''}
            </span>
          </div>
        );
      })}
    </div>
  );
}
