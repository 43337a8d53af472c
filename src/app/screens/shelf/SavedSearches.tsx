import { Box, Button, Chip } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import type { ReactElement } from 'react';
import { isWide, narrowingOf, NO_NARROWING, queryOf, type Narrowing } from '../../../core/keeping/shelf/search.ts';
import { sayNarrowing } from '../../../messages/shelf.ts';
import { t } from '../../../messages/t.ts';
import { selectCards, selectSites } from '../../state/selectors.ts';
import { useAppSelector } from '../../state/store.ts';
import { forgetSearch, keepSearch, listSearches } from '../../storage/searches.ts';

interface Props {
  narrowing: Narrowing;
  set: (narrowing: Narrowing) => void;
}

/** Searches that are made again and again: kept, followed and forgotten in one press each. */
export function SavedSearches({ narrowing, set }: Props): ReactElement | null {
  const cards = useAppSelector(selectCards);
  const sites = useAppSelector(selectSites);
  const kept = useLiveQuery(() => listSearches().catch(() => [])) ?? [];
  const present = queryOf(narrowing);
  const names = {
    host: (id: string): string => cards.find((card) => card.id === id)?.name ?? id,
    site: (id: string): string => sites.find((site) => site.id === id)?.name ?? id,
  };
  const isNew = !isWide(narrowing) && !kept.includes(present);
  if (kept.length === 0 && !isNew) return null;
  return (
    <Box
      role="group"
      aria-label={t('Saved searches')}
      sx={{ display: 'flex', flexWrap: 'wrap', flexBasis: '100%', gap: 1, pb: 0.5 }}
    >
      {kept.map((query) => {
        const words = sayNarrowing(narrowingOf(query), names);
        const followed = query === present;
        return (
          <Box key={query} sx={{ display: 'flex' }}>
            <Chip
              size="small"
              label={words}
              color={followed ? 'primary' : 'default'}
              variant={followed ? 'filled' : 'outlined'}
              aria-pressed={followed}
              onClick={() => set(followed ? NO_NARROWING : narrowingOf(query))}
            />
            <Button
              sx={{ minWidth: 28, minHeight: 24, p: 0 }}
              aria-label={t('Forget the search {words}', { words })}
              onClick={() => void forgetSearch(query).catch(() => undefined)}
            >
              ×
            </Button>
          </Box>
        );
      })}
      {isNew && (
        <Button sx={{ minHeight: 24, py: 0 }} onClick={() => void keepSearch(present).catch(() => undefined)}>
          {t('Keep this search')}
        </Button>
      )}
    </Box>
  );
}
