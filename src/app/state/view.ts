import { createSlice, type PayloadAction, type WritableDraft } from '@reduxjs/toolkit';
import type { PlayerReport } from '../../core/known/hosts/playerReport.ts';
import type { Origin } from '../../core/model/plan.ts';
import type { Moment } from '../../core/model/setting.ts';
import type { Made } from '../../core/keeping/shelf/record.ts';
import { USUAL_LAYOUT, type BenchLayout } from './benchLayout.ts';
import type { Removed } from '../storage/removed.ts';
import type { SettingId } from '../../core/known/settings/list.ts';

/** What else is done with a code: compared with what was pasted, taken in several types, compared with what was published, given dates. */
export type CodeWay = 'compare' | 'several' | 'back' | 'dates';

/** How the screen stands; nothing of it is undone. */
export interface ViewState {
  theme: 'day' | 'night';
  /** Width in which the page is shown, in CSS pixels; null until the publisher chooses one. */
  pageWidth: number | null;
  /** Whether the site's screens are shown side by side. */
  together: boolean;
  /** The part that is pointed at, in tokens and code alike. */
  pointed: Origin | null;
  /** The day on which this is looked at: `2026-11-23`. */
  today: string;
  /** That something happened which nobody on this screen asked for. */
  notice: 'forked' | 'followed' | null;
  /** Whether the browser keeps what is saved. */
  storage: 'works' | 'missing' | 'full' | 'blocked' | 'silent';
  /** Works that could not be written yet. */
  unwritten: readonly Made[];
  /** What the player reported last. */
  player: Omit<PlayerReport, 'event'> & { playing: boolean };
  /** Height of its content on a phone, in pixels, where height goes with content; null until it is told. */
  phoneHeight: number | null;
  /** Width over height of the cover; null while there is none, or it could not be seen. */
  coverRatio: number | null;
  copied: 'no' | 'yes' | 'failed';
  /** The setting whose editor is open. */
  open: SettingId | null;
  /** The moment of which all settings are listed, or all of them; null while the list is closed. */
  listed: Moment | 'all' | null;
  /** What is opened over the code. */
  beside: CodeWay | null;
  /** How the panes of the Bench are laid out on this device. */
  layout: BenchLayout;
  /** The code that was copied last. */
  copiedCode: string | null;
  shortcuts: boolean;
  /** Whether anything can be found by typing just now. */
  finder: boolean;
  /** What was removed last, while it can be put back by a press. */
  removed: Removed | null;
}

const silent: ViewState['player'] = { playing: false };
const initialState: ViewState = {
  theme: 'day',
  pageWidth: null,
  together: false,
  pointed: null,
  today: '',
  notice: null,
  storage: 'works',
  unwritten: [],
  player: silent,
  phoneHeight: null,
  coverRatio: null,
  copied: 'no',
  open: null,
  listed: null,
  beside: null,
  layout: USUAL_LAYOUT,
  copiedCode: null,
  shortcuts: false,
  finder: false,
  removed: null,
};

export const viewSlice = createSlice({
  name: 'view',
  initialState,
  reducers: {
    themeChosen: (state, { payload }: PayloadAction<ViewState['theme']>) => {
      state.theme = payload;
    },
    pageWidened: (state, { payload }: PayloadAction<number>) => {
      state.pageWidth = payload;
    },
    shownTogether: (state, { payload }: PayloadAction<boolean>) => {
      state.together = payload;
      state.player = silent;
    },
    pointedAt: (state, { payload }: PayloadAction<Origin | null>) => {
      state.pointed = payload;
    },
    dayBegun: (state, { payload }: PayloadAction<string>) => {
      state.today = payload;
    },
    noticed: (state, { payload }: PayloadAction<ViewState['notice']>) => {
      state.notice = payload;
    },
    unwrittenFound: (state, { payload }: PayloadAction<readonly Made[]>) => {
      state.unwritten = payload as WritableDraft<Made>[];
    },
    storageFound: (state, { payload }: PayloadAction<ViewState['storage']>) => {
      state.storage = payload;
    },
    playerReported: (state, { payload: { event, ...report } }: PayloadAction<PlayerReport>) => {
      const playing = event === 'playing' || (state.player.playing && event !== 'paused' && event !== 'ended');
      const known = Object.fromEntries(Object.entries(report).filter(([, value]) => value !== undefined));
      state.player = { ...state.player, ...known, playing };
    },
    playerLoaded: (state) => {
      state.player = silent;
    },
    phoneMeasured: (state, { payload }: PayloadAction<number | null>) => {
      state.phoneHeight = payload;
    },
    coverMeasured: (state, { payload }: PayloadAction<number | null>) => {
      state.coverRatio = payload;
    },
    copyConfirmed: (state, { payload }: PayloadAction<ViewState['copied']>) => {
      state.copied = payload;
    },
    tokenOpened: (state, { payload }: PayloadAction<SettingId | null>) => {
      state.open = payload;
      state.listed = null;
    },
    settingsListed: (state, { payload }: PayloadAction<ViewState['listed']>) => {
      state.listed = payload;
    },
    wayOpened: (state, { payload }: PayloadAction<CodeWay | null>) => {
      state.beside = payload;
    },
    laidOut: (state, { payload }: PayloadAction<Partial<BenchLayout>>) => {
      state.layout = { ...state.layout, ...payload };
    },
    codeCopied: (state, { payload }: PayloadAction<string>) => {
      state.copiedCode = payload;
    },
    shortcutsShown: (state, { payload }: PayloadAction<boolean>) => {
      state.shortcuts = payload;
    },
    removedLately: (state, { payload }: PayloadAction<Removed | null>) => {
      state.removed = payload;
    },
    finderShown: (state, { payload }: PayloadAction<boolean>) => {
      state.finder = payload;
    },
  },
});

export const {
  themeChosen,
  pageWidened,
  shownTogether,
  pointedAt,
  dayBegun,
  noticed,
  storageFound,
  unwrittenFound,
  playerReported,
  playerLoaded,
  phoneMeasured,
  coverMeasured,
  copyConfirmed,
  tokenOpened,
  settingsListed,
  wayOpened,
  laidOut,
  codeCopied,
  shortcutsShown,
  finderShown,
  removedLately,
} = viewSlice.actions;
