import { ThemeProvider } from '@mui/material/styles';
import { useEffect, useMemo, type ReactElement } from 'react';
import { Outlet } from 'react-router';
import { useAppSelector } from './state/store.ts';
import { Banner } from './ui/Banner.tsx';
import { Shortcuts } from './ui/Shortcuts.tsx';
import { Spine } from './ui/Spine.tsx';
import { makeTheme } from './ui/theme.ts';

/** What stands around every screen. */
export function House(): ReactElement {
  const glass = useAppSelector((state) => state.view.theme);
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
        <Shortcuts />
      </div>
    </ThemeProvider>
  );
}
