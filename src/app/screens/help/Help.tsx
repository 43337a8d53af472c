import { Box, Button, TextField, Typography } from '@mui/material';
import { useDeferredValue, useMemo, type ReactElement } from 'react';
import { Link, useSearchParams } from 'react-router';
import { helpParts, type HelpPart } from '../../../messages/help.ts';
import { showNumber, t } from '../../../messages/t.ts';
import { COMMANDS } from '../../commands/list.ts';
import { selectBenchAddress } from '../../state/bench.ts';
import { useAppSelector } from '../../state/store.ts';
import { TOUR } from '../../ui/screens.ts';
import { writeKeys } from '../../ui/writeKeys.ts';

/** Those of a part in which all words that were typed stand. */
const narrowed = (part: HelpPart, typed: string): HelpPart => {
  const wanted = typed.toLowerCase().split(/\s+/);
  const has = ({ label, words, mark }: HelpPart['entries'][number]): boolean => {
    const all = `${label} ${words} ${mark}`.toLowerCase();
    return wanted.every((word) => all.includes(word));
  };
  return { ...part, entries: part.entries.filter(has) };
};

/** Every setting, check and code type in words, found as one types. It comes with the application, and needs no network. */
export function Help(): ReactElement {
  const [query, setQuery] = useSearchParams();
  const typed = query.get('q') ?? '';
  const sought = useDeferredValue(typed.trim());
  const parts = useMemo(() => helpParts(), []);
  const bench = useAppSelector(selectBenchAddress);
  const found = parts.map((part) => narrowed(part, sought)).filter(({ entries }) => entries.length > 0);
  const count = found.reduce((sum, { entries }) => sum + entries.length, 0);
  return (
    <Box sx={{ p: { xs: 2, md: 4 }, maxWidth: 1280 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 2 }}>
        <h1>{t('Help')}</h1>
        <Button component={Link} to={bench + TOUR}>
          {t('Show me around')}
        </Button>
      </Box>
      <Box sx={{ position: 'sticky', top: 0, zIndex: 1, py: 2, bgcolor: 'background.default' }}>
        <TextField
          type="search"
          size="small"
          fullWidth
          sx={{ maxWidth: 480 }}
          label={t('Search the help')}
          placeholder={t('Autoplay, title, consent …')}
          value={typed}
          onChange={({ target }) => setQuery(target.value === '' ? {} : { q: target.value }, { replace: true })}
        />
        <Typography role="status" variant="body2" color="text.secondary" sx={{ mt: 1 }}>
          {count === 0
            ? t('Nothing is explained by these words. Try another one.')
            : sought === ''
              ? t('{count} things are explained here.', { count: showNumber(count) })
              : t('{count, plural, one {# thing is} other {# things are}} explained by these words.', { count })}
        </Typography>
      </Box>
      {found.map(({ id, name, about, entries }) => (
        <Box component="section" key={id} aria-labelledby={`help-${id}`} sx={{ mb: 4 }}>
          <Typography component="h2" variant="h6" id={`help-${id}`}>
            {name}
          </Typography>
          <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
            {about}
          </Typography>
          <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, columnGap: 4 }}>
            {entries.map((entry) => (
              <Box key={entry.id} sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
                <Typography component="dt" sx={{ fontWeight: 600, display: 'flex', gap: 1, alignItems: 'baseline' }}>
                  {entry.label}
                  <Typography component="span" variant="caption" color="text.secondary">
                    {entry.mark}
                  </Typography>
                </Typography>
                <Typography component="dd" variant="body2" sx={{ m: 0 }}>
                  {entry.words}
                </Typography>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
      {sought === '' && (
        <Box component="section" aria-labelledby="help-keys" sx={{ mb: 4 }}>
          <Typography component="h2" variant="h6" id="help-keys">
            {t('Shortcuts')}
          </Typography>
          <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: 'max-content 1fr', columnGap: 3, rowGap: 0.5 }}>
            {COMMANDS.map(({ id, label, keys }) => (
              <Box key={id} sx={{ display: 'contents' }}>
                <Typography component="dt" variant="body2">
                  <kbd>{writeKeys(keys)}</kbd>
                </Typography>
                <Typography component="dd" variant="body2" sx={{ m: 0 }}>
                  {label}
                </Typography>
              </Box>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
