import { Dialog, DialogTitle } from '@mui/material';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, type ReactElement } from 'react';
import { useStore } from 'react-redux';
import { useLocation, useNavigate } from 'react-router';
import { helpParts } from '../../messages/help.ts';
import { KIND_WORDS } from '../../messages/kinds.ts';
import { COMMANDS } from '../commands/list.ts';
import { selectBenchAddress } from '../state/bench.ts';
import { selectCards, selectSites } from '../state/selectors.ts';
import { selectSettingOptions } from '../state/settingOptions.ts';
import { useAppDispatch, useAppSelector, type Store } from '../state/store.ts';
import { finderShown, tokenOpened } from '../state/view.ts';
import { lastChanged } from '../storage/embeds.ts';
import { listOrders } from '../storage/orders.ts';
import type { Findable } from './bestMatches.ts';
import { FinderBox } from './FinderBox.tsx';
import { SCREENS } from './screens.ts';
import { writeKeys } from './writeKeys.ts';
import { t } from '../../messages/t.ts';

/** Something to go to, or to do. */
interface Target extends Findable {
  act: () => void;
}

/** Embeds that are offered, the last changed first: the Shelf searches them all. */
const MOST = 300;

/** Every command, screen, setting, embed, running order, site and host by its name, in one field. */
export function Finder(): ReactElement {
  const store = useStore() as Store;
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const bench = useAppSelector(selectBenchAddress);
  const [sites, cards] = [useAppSelector(selectSites), useAppSelector(selectCards)];
  const embeds = useLiveQuery(() => lastChanged(MOST));
  const orders = useLiveQuery(listOrders)?.orders;
  const close = (): void => void dispatch(finderShown(false));
  const targets = useMemo((): Target[] => {
    const to = (address: string) => (): void => void navigate(address);
    const state = store.getState();
    return [
      ...COMMANDS.filter(({ id, run }) => id !== 'findAnything' && run(store, false)).map(({ id, label, keys, run }) => ({
        id,
        group: t('Do'),
        label,
        words: writeKeys(keys),
        act: () => void run(store, true),
      })),
      ...SCREENS.map(({ path, name, about }) => ({
        id: path,
        group: t('Screens'),
        label: name,
        words: about,
        act: to(path === '/' ? bench : path),
      })),
      {
        id: '/help',
        group: t('Screens'),
        label: t('Help'),
        words: t('every setting, check and code type in words'),
        act: to('/help'),
      },
      ...selectSettingOptions(state, 'all').map((option) => ({
        ...option,
        group: t('Settings of the embed on the Bench'),
        act: () => {
          if (pathname !== bench) void navigate(bench);
          dispatch(tokenOpened(option.id));
        },
      })),
      ...(embeds ?? []).map(({ id, title, host, kind, tags }) => ({
        id,
        group: t('On the Shelf'),
        label: title || t('Without a title'),
        words: [KIND_WORDS[kind] ?? kind, cards.find((card) => card.id === host)?.name].filter(Boolean).join(', '),
        more: tags.join(' '),
        act: to(`/bench/${id}`),
      })),
      ...(orders ?? []).map(({ order: { id, name } }) => ({
        id,
        group: t('Running orders'),
        label: name || t('Without a name'),
        words: '',
        act: to(`/orders/${id}`),
      })),
      ...sites.map(({ id, name, address }) => ({ id, group: t('Sites'), label: name, words: address, act: to(`/sites/${id}`) })),
      ...cards.map(({ id, name, origins }) => ({
        id,
        group: t('Hosts'),
        label: name,
        words: Object.values(origins).flat()[0] ?? '',
        act: to(`/hosts/${id}`),
      })),
      ...helpParts().flatMap(({ entries }) =>
        entries.map(({ id, label, words }) => ({
          id,
          group: t('Help'),
          label,
          words,
          behind: true,
          act: to(`/help?${new URLSearchParams({ q: label }).toString()}`),
        })),
      ),
    ];
  }, [store, navigate, dispatch, pathname, bench, embeds, orders, sites, cards]);
  return (
    <Dialog open onClose={close} slotProps={{ container: { sx: { alignItems: 'flex-start' } } }}>
      <DialogTitle className="hidden-words">{t('Find anything')}</DialogTitle>
      <FinderBox
        label={t('Find anything')}
        options={targets}
        nothing={t('Nothing has that name.')}
        choose={({ act }) => {
          close();
          // A dialog that goes gives the focus back to where it was; what is done may want it elsewhere.
          setTimeout(act);
        }}
      />
    </Dialog>
  );
}
