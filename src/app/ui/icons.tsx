import type { ReactElement } from 'react';
import type { SCREENS } from './screens.ts';

/** Our own signs, drawn as panes and leads. All are 20 by 20 and take the colour of the text. */
const draw = (path: string, filled = ''): ReactElement => (
  <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
    <path d={path} fill="none" stroke="currentColor" strokeWidth="1.6" strokeLinejoin="round" strokeLinecap="round" />
    {filled && <path d={filled} fill="currentColor" />}
  </svg>
);

/** A pane ajar: what plays. */
export const PaneAjar = (): ReactElement => draw('M3 3h14v14H3z', 'M5.5 5.5h3.5v9H5.5z M11 6l4-1.5v10l-4 1.5z');
/** A pane shut: what stands still. */
export const PaneShut = (): ReactElement => draw('M3 3h14v14H3z M10 3v14', 'M5 5.5h3v9H5z M12 5.5h3v9h-3z');
/** A pane with a handle to hold it over things. */
export const FindSign = (): ReactElement => draw('M3 3h9.5v9.5H3z M12.5 12.5l4.5 4.5 M7.75 3v9.5');
const BenchSign = (): ReactElement => draw('M2.5 8h15 M4.5 8v8 M15.5 8v8 M6.5 3.5h7V8h-7z M10 3.5V8');
const ShelfSign = (): ReactElement =>
  draw('M2.5 9.5h15 M2.5 17h15 M4.5 4v5.5 M7.5 5v4.5 M10 4v5.5 M6 12v5 M9.5 11.5V17 M13 12.5V17');
/** A house of one room, its column of text between the walls. */
const SitesSign = (): ReactElement => draw('M3 17V7l7-4.5L17 7v10z M7 9.5h6 M7 12h6 M7 14.5h4');
const BookSign = (): ReactElement =>
  draw('M10 5v11.5 M2.5 4.5h5A2.5 2.5 0 0 1 10 7v9.5a2 2 0 0 0-2-2H2.5z M17.5 4.5h-5A2.5 2.5 0 0 0 10 7v9.5a2 2 0 0 1 2-2h5.5z');
/** Two panes with a line from one to the other. */
const ConnectSign = (): ReactElement => draw('M2.5 3.5h6v6h-6z M11.5 10.5h6v6h-6z M5.5 9.5v4h6');
export const BackSign = (): ReactElement => draw('M4 7h8a4 4 0 0 1 0 8H7 M4 7l3-3 M4 7l3 3');
export const AgainSign = (): ReactElement => draw('M16 7H8a4 4 0 0 0 0 8h5 M16 7l-3-3 M16 7l-3 3');
export const ThemeSign = (): ReactElement => draw('M10 2.5 16.5 10 10 17.5 3.5 10z M10 2.5v15', 'M10 4l5 6-5 6z');
/** Two panes that say the same, each in lines of its own length. */
export const LanguageSign = (): ReactElement =>
  draw('M2.5 3.5h6.5v13H2.5z M11 3.5h6.5v13H11z M4.5 7h2.5 M4.5 10h1.5 M13 7h2.5 M13 10h2.5 M13 13h1.5');
export const HelpSign = (): ReactElement =>
  draw('M3 3.5h14v10h-6l-4 3.5v-3.5H3z M8 7.2a2 2 0 1 1 2.6 1.9c-.4.2-.6.5-.6 1 M10 11.6v.4');
/** Leaves hung one under the other, the first ajar. */
const OrdersSign = (): ReactElement =>
  draw('M3 3.5h5v4H3z M3 12.5h5v4H3z M11 5.5h6.5 M11 14.5h6.5 M5.5 7.5v5', 'M4.5 5l2-.8v2.6l-2 .7z');
/** Three slats that go through one opening. */
const BatchSign = (): ReactElement => draw('M2.5 5h6 M2.5 10h6 M2.5 15h6 M11 3v14 M13.5 10h4 M15.5 8l2 2-2 2');
/** Panes in rows, one of them put right. */
const SweepSign = (): ReactElement =>
  draw('M3 3h4v4H3z M13 3h4v4h-4z M3 13h4v4H3z M13 13h4v4h-4z M8.5 10h3 M10 8.5v3', 'M8 3h4v4H8z');
/** A pane without anything in it. */
export const UntickedSign = (): ReactElement => draw('M3 3h14v14H3z');
/** A pane with its stroke across. */
export const TickSign = (): ReactElement => draw('M3 3h14v14H3z M6.2 10.4l2.7 2.8 5-6.2');
/** What opens downwards. */
export const OpensSign = (): ReactElement => draw('M6.5 8.5l3.5 3.5 3.5-3.5');

/** The sign of each screen in the navigation. */
export const SCREEN_SIGNS: Readonly<Record<(typeof SCREENS)[number]['path'], ReactElement>> = {
  '/': <BenchSign />,
  '/shelf': <ShelfSign />,
  '/batch': <BatchSign />,
  '/sweep': <SweepSign />,
  '/orders': <OrdersSign />,
  '/sites': <SitesSign />,
  '/hosts': <BookSign />,
  '/connect': <ConnectSign />,
};
