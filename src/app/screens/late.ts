import { lazily, type Late } from '../ui/lazily.ts';
import { NotLoaded } from '../ui/NotLoaded.tsx';
import { LOAD } from './load.ts';

type Loads = typeof LOAD;
type PropsOf<Screen extends (...props: never) => unknown> =
  Parameters<Screen> extends [infer Props extends object] ? Props : object;

/** The screens of `LOAD`, each drawn as soon as it has been loaded. */
export const LATE = Object.fromEntries(
  Object.entries(LOAD).map(([name, load]) => [name, lazily<never>(load, NotLoaded)]),
) as unknown as { readonly [Name in keyof Loads]: Late<PropsOf<Awaited<ReturnType<Loads[Name]>>>> };
