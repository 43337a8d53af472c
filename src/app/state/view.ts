import { createSlice, type PayloadAction, type WritableDraft } from '@reduxjs/toolkit';
import type { PlayerReport } from '../../core/known/hosts/playerReport.ts';
import type { Origin } from '../../core/model/plan.ts';
import type { Made } from '../../core/keeping/shelf/record.ts';
import { settingOf, type SettingId } from '../../core/known/settings/list.ts';

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
  /** Which of the two about the place in the page is shown. */
  place: 'frame' | 'around';
  shortcuts: boolean;
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
  place: 'frame',
  shortcuts: false,
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
      const moment = payload && settingOf(payload).moment;
      if (moment === 'frame' || moment === 'around') state.place = moment;
    },
    placeShown: (state, { payload }: PayloadAction<ViewState['place']>) => {
      state.place = payload;
    },
    shortcutsShown: (state, { payload }: PayloadAction<boolean>) => {
      state.shortcuts = payload;
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
  placeShown,
  shortcutsShown,
} = viewSlice.actions;
