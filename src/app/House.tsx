import { ThemeProvider } from '@mui/material/styles';
import { Suspense, useEffect, useMemo, type ReactElement } from 'react';
import { Outlet } from 'react-router';
import { useAppSelector } from './state/store.ts';
import { Banner } from './ui/Banner.tsx';
import { lazily } from './ui/lazily.ts';
import { Spine } from './ui/Spine.tsx';
import { makeTheme } from './ui/theme.ts';

const Shortcuts = lazily(
  () => import('./ui/Shortcuts.tsx').then((module) => module.Shortcuts),
  () => null,
);

/** What stands around every screen. */
export function House(): ReactElement {
  const glass = useAppSelector((state) => state.view.theme);
  const shortcuts = useAppSelector((state) => state.view.shortcuts);
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
          <Outlet />
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
