import { GlobalStyles } from '@mui/material';
import { ThemeProvider } from '@mui/material/styles';
import { Suspense, useEffect, useMemo, type ReactElement } from 'react';
import { Outlet, useLocation } from 'react-router';
import { useAppSelector } from './state/store.ts';
import { Banner } from './ui/Banner.tsx';
import { lazily } from './ui/lazily.ts';
import { Navigation } from './ui/Navigation.tsx';
import { Unbroken } from './ui/Unbroken.tsx';
import { themeVariables, makeTheme } from './ui/theme.ts';
import { TOUR } from './ui/screens.ts';

const Shortcuts = lazily(
  () => import('./ui/Shortcuts.tsx').then((module) => module.Shortcuts),
  () => null,
);

const Finder = lazily(
  () => import('./ui/Finder.tsx').then((module) => module.Finder),
  () => null,
);

const RemovedBar = lazily(
  () => import('./ui/RemovedBar.tsx').then((module) => module.RemovedBar),
  () => null,
);

const Tour = lazily(
  () => import('./ui/Tour.tsx').then((module) => module.Tour),
  () => null,
);

/** What stands around every screen. */
export function Layout(): ReactElement {
  const name = useAppSelector((state) => state.view.theme);
  const shortcuts = useAppSelector((state) => state.view.shortcuts);
  const finder = useAppSelector((state) => state.view.finder);
  const removed = useAppSelector((state) => state.view.removed !== null);
  // Another screen of the same kind is no other screen, and its state stays.
  const { pathname, hash } = useLocation();
  const screen = pathname.split('/', 2)[1] || 'bench';
  const theme = useMemo(() => makeTheme(name), [name]);
  useEffect(() => {
    document.documentElement.dataset.theme = name;
  }, [name]);
  return (
    <ThemeProvider theme={theme}>
      <GlobalStyles styles={themeVariables(name)} />
      <div className="layout">
        <Navigation />
        <Banner />
        <main className="screen relative min-h-0 overflow-auto area-[screen] [&_h1]:m-0 [&_h1]:text-head">
          <Unbroken key={screen} within>
            <Outlet />
          </Unbroken>
        </main>
        <Suspense fallback={null}>
          {shortcuts && <Shortcuts />}
          {finder && <Finder />}
          {removed && <RemovedBar />}
          {hash === TOUR && <Tour />}
        </Suspense>
      </div>
    </ThemeProvider>
  );
}
