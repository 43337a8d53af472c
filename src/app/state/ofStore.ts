import type { Store } from './store.ts';

/** Something of which an application has one beside its state, such as work that goes on; made when it is first asked for. */
export function ofStore<Thing>(make: () => Thing): (store: Store) => Thing {
  const things = new WeakMap<Store, Thing>();
  return (store) => {
    const thing = things.get(store) ?? make();
    things.set(store, thing);
    return thing;
  };
}
