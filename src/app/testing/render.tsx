import { render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { cards, sites } from '../../laws/world.ts';
import { NO_TEAM } from '../state/answers.ts';
import { broughtIn } from '../state/bench.ts';
import { server } from '../state/server.ts';
import { makeStore, type Store } from '../state/store.ts';

export const VIDEO = 'http://lanternreel.localhost:4600/see/k7wq2m9d';
export const SOUND = 'http://murmurfold.localhost:4600/quillmarsh-mill/the-mill-at-night';
export const SLIDES = 'http://deckmoor.localhost:4600/deck/rest2401';

/** The state of an application that has what ships with it, and this link on its Bench, with what its host says. */
export function storeWith(link: string, facts: { title?: string; duration?: number; pages?: number } = {}): Store {
  const store = makeStore();
  const given = { cards: [...cards], sites: [...sites], example: link, team: NO_TEAM };
  store.dispatch(server.util.upsertQueryEntries([{ endpointName: 'given', arg: undefined, value: given }]));
  const about = link.split('?')[0]!;
  store.dispatch(
    server.util.upsertQueryEntries([
      { endpointName: 'said', arg: { link, about, width: undefined }, value: { facts, found: null, refused: null } },
    ]),
  );
  store.dispatch(broughtIn(link));
  return store;
}

/** Renders a part of the application by itself, and gives somebody to use it. */
export function renderIn(store: Store, part: ReactElement): ReturnType<typeof userEvent.setup> {
  const user = userEvent.setup();
  render(
    <MemoryRouter>
      <Provider store={store}>{part}</Provider>
    </MemoryRouter>,
  );
  return user;
}
