import { Button, Paper, Popper, Typography } from '@mui/material';
import { useEffect, useState, type ReactElement } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { t } from '../../messages/t.ts';

/** Where the tour stops: parts of the Bench, and what is done there. */
const STOPS = [
  { at: '#paste', name: t('Bring it in'), words: t('Paste a share link, an embed code, or the name of what you look for.') },
  { at: '.stage', name: t('See it in your page'), words: t('This is what visitors see. Drag its handles to fit it.') },
  { at: '.stations', name: t('Set how it behaves'), words: t('In the order of a visit: press a sentence to change it.') },
  {
    at: '.next-line',
    name: t('Do what comes next'),
    words: t('Play it through to test it, copy the code, check later what was published.'),
  },
  {
    at: '.navigation a[href="/shelf"]',
    name: t('Find it again'),
    words: t('All that you make stays on the Shelf, in this browser only.'),
  },
] as const;

/** Five stops on the Bench, one after the other; it can be left at any of them, and nothing is held up by it. */
export function Tour(): ReactElement {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [stop, setStop] = useState(0);
  const { at, name, words } = STOPS[stop]!;
  useEffect(() => placeOf(at).scrollIntoView({ block: 'nearest' }), [at]);
  const leave = (): void => void navigate(pathname, { replace: true });
  const last = stop === STOPS.length - 1;
  return (
    <Popper
      open
      key={stop}
      anchorEl={() => placeOf(at)}
      placement="bottom-start"
      sx={{ zIndex: 'tooltip' }}
      modifiers={[
        { name: 'offset', options: { offset: [8, 8] } },
        { name: 'preventOverflow', options: { altAxis: true, padding: 8 } },
      ]}
      onKeyDown={({ key }) => key === 'Escape' && leave()}
    >
      <Paper
        role="region"
        aria-label={t('Tour')}
        sx={{ p: 2, maxWidth: 300, border: 2, borderColor: 'primary.main', boxShadow: 'none', backgroundImage: 'none' }}
      >
        <div role="status">
          <Typography variant="caption" color="text.secondary">
            {t('Stop {stop} of {count}', { stop: stop + 1, count: STOPS.length })}
          </Typography>
          <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
          <Typography variant="body2" sx={{ mb: 1 }}>
            {words}
          </Typography>
        </div>
        <Button variant="contained" autoFocus onClick={() => (last ? leave() : setStop(stop + 1))}>
          {last ? t('Begin') : t('Go on')}
        </Button>
        {stop > 0 && <Button onClick={() => setStop(stop - 1)}>{t('Back')}</Button>}
        {!last && <Button onClick={leave}>{t('Leave the tour')}</Button>}
      </Paper>
    </Popper>
  );
}

/** The part of the screen at which it stops; what is folded away stands for nothing. */
const placeOf = (at: string): Element => document.querySelector(at) ?? document.body;
