import { Button } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { calendarOf, coming } from '../../../core/keeping/calendar/calendar.ts';
import { sayComing } from '../../../messages/shelf.ts';
import { useAppSelector } from '../../state/store.ts';
import { listEmbeds } from '../../storage/embeds.ts';
import { saveFile } from '../../ui/files.ts';
import { DialogFrame } from '../../ui/DialogFrame.tsx';
import { dateFormat, t } from '../../../messages/t.ts';

const day = dateFormat({ weekday: 'short', day: 'numeric', month: 'long', year: 'numeric' });

/** What is not out yet, day by day, and as a calendar to take along. */
export function Coming({ close }: { close: () => void }): ReactElement {
  const today = useAppSelector((state) => state.view.today);
  const embeds = useLiveQuery(listEmbeds) ?? [];
  const days = coming(embeds, today);
  return (
    <DialogFrame
      title={t('Calendar')}
      close={close}
      wide
      actions={
        <Button
          variant="contained"
          disabled={days.length === 0}
          onClick={() => saveFile('what-comes-next.ics', calendarOf(days, sayComing, new Date()), 'text/calendar')}
        >
          {t('Save as a calendar file')}
        </Button>
      }
    >
      {days.length === 0 ? (
        <p className="text-quiet">
          {t(
            'Nothing waits for its day. On the Bench, “Dates” beside the code says when an item, or the page with it, comes out.',
          )}
        </p>
      ) : (
        <ul className="mb-3">
          {days.map((one) => (
            <li
              key={`${one.what} ${one.embed.id}`}
              className="grid min-h-9 grid-cols-[190px_minmax(0,1fr)_auto] items-center gap-3 border-b border-hair max-desk:grid-cols-[minmax(0,1fr)_auto]"
            >
              <time className="tabular-nums max-desk:col-span-full" dateTime={one.day}>
                {day.format(new Date(`${one.day}T12:00`))}
              </time>
              <span className={one.what === 'out' ? 'font-semibold' : undefined}>{sayComing(one)}</span>
              <Link to={`/bench/${one.embed.id}`}>{t('Open')}</Link>
            </li>
          ))}
        </ul>
      )}
    </DialogFrame>
  );
}
