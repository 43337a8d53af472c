import { ThemeProvider } from '@mui/material/styles';
import { Suspense, useEffect, useMemo, type ReactElement } from 'react';
import { Outlet, useLocation } from 'react-router';
import { useAppSelector } from './state/store.ts';
import { Banner } from './ui/Banner.tsx';
import { lazily } from './ui/lazily.ts';
import { Spine } from './ui/Spine.tsx';
import { Unbroken } from './ui/Unbroken.tsx';
import { makeTheme } from './ui/theme.ts';

const Shortcuts = lazily(
  () => import('./ui/Shortcuts.tsx').then((module) => module.Shortcuts),
  () => null,
);

/** What stands around every screen. */
export function House(): ReactElement {
  const glass = useAppSelector((state) => state.view.theme);
  const shortcuts = useAppSelector((state) => state.view.shortcuts);
  // Another screen of the same kind is no other screen, and its state stays.
  const pathname = useLocation().pathname.split('/', 2)[1] || 'bench';
  const theme = useMemo(() => makeTheme(glass), [glass]);
  useEffect(() => {
    document.documentElement.dataset.glass = glass;
  }, [glass]);
  return (
    <ThemeProvider theme={theme}>
      <div className="house">
        <Spine />
        <Banner />
        <main className="screen">
          <Unbroken key={pathname} within>
            <Outlet />
          </Unbroken>
        </main>
        {shortcuts && (
          <Suspense fallback={null}>
            <Shortcuts />
          </Suspense>
        )}
      </div>
    </ThemeProvider>
  );
}
