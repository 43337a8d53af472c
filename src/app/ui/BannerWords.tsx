import { Button } from '@mui/material';
import type { ReactElement } from 'react';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { noticed } from '../state/view.ts';
import { saveUnwritten } from './saveUnwritten.ts';
import { t } from '../../messages/t.ts';
import { rich } from './rich.tsx';

const NOTICES = {
  forked: t(
    'This embed was changed in another window at the same time. That one stays as it is on the Shelf; what you change here goes on as a copy.',
  ),
  followed: t('This embed was changed elsewhere, and is shown here as it is now.'),
} as const;

/** What is out of order, in words, and what can be done about it. */
export function BannerWords({ askAgain }: { askAgain: () => void }): ReactElement {
  const dispatch = useAppDispatch();
  const serverAnswers = useAppSelector((state) => state.world.serverAnswers);
  const { storage, unwritten, notice } = useAppSelector((state) => state.view);
  return (
    <div className="flex items-center gap-3 border-b-2 border-b-amber bg-amber-wash px-4 py-1.5 area-[banner]" role="alert">
      {!serverAnswers && (
        <>
          <span>
            {rich(
              'The server of Refenestra does not answer, so the preview stands still and hosts cannot be asked. What you have made is kept in this browser. Start the server again with <code>npm start</code>.',
              { code: (inside) => <code>{inside}</code> },
            )}
          </span>
          <Button variant="outlined" onClick={askAgain}>
            {t('Look again')}
          </Button>
        </>
      )}
      {notice && (
        <>
          <span>{NOTICES[notice]}</span>
          <Button variant="outlined" onClick={() => dispatch(noticed(null))}>
            {t('Understood')}
          </Button>
        </>
      )}
      {storage === 'missing' && (
        <span>
          {t(
            'This window keeps no data (a private window, perhaps): everything works, but is gone when the window closes. Copy the code before you leave, or open Refenestra in an ordinary window.',
          )}
        </span>
      )}
      {storage === 'full' && (
        <>
          <span>
            {t(
              'The browser has no room left. What was saved before is still there. {count, plural, one {One embed waits to be saved, and will be as soon as there is room: remove some embeds from the Shelf, or save it as a file.} other {# embeds wait to be saved, and will be as soon as there is room: remove some embeds from the Shelf, or save them as a file.}}',
              { count: unwritten.length },
            )}
          </span>
          <Button variant="outlined" onClick={() => void saveUnwritten(unwritten)}>
            {t('Save as a file')}
          </Button>
        </>
      )}
      {storage === 'blocked' && (
        <span>
          {t(
            'Another window holds an older Refenestra open, and so nothing can be saved here. Close the other windows of Refenestra, then load this one anew.',
          )}
        </span>
      )}
      {storage === 'silent' && (
        <span>
          {t(
            'The browser’s store does not answer. Close the other windows of Refenestra and start the browser anew; until then copy the code of what you make, since it is not kept.',
          )}
        </span>
      )}
    </div>
  );
}
