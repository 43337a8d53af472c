import type { ReactElement } from 'react';
import type { Site } from '../../../core/model/site.ts';
import { SCREEN_NAMES } from '../../../messages/screens.ts';
import { t } from '../../../messages/t.ts';

/** The screens of the site to one scale, each with its column in it. */
export function ColumnDrawing({ site }: { site: Site }): ReactElement {
  const widest = Math.max(...Object.values(site.breakpoints), 1);
  return (
    <div
      className="drawing"
      role="img"
      aria-label={t('A column of {column} pixels on three screens, to scale', { column: site.column })}
    >
      {Object.entries(site.breakpoints).map(([name, width]) => {
        const column = Math.max(0, Math.min(site.column, width - 2 * site.margin));
        return (
          <div key={name} className="drawn-screen" style={{ width: `${(100 * width) / widest}%` }}>
            <i style={{ width: `${(100 * column) / width}%` }}>{column || ''}</i>
            <span>
              {SCREEN_NAMES[name as keyof typeof SCREEN_NAMES]} {width || ''}
            </span>
          </div>
        );
      })}
    </div>
  );
}
