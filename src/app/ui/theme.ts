import { createTheme, type Theme } from '@mui/material/styles';

/** Thin dark lines between quiet panes: the one source of colours, for the theme and for style sheets. */
const COLOURS = {
  day: {
    ground: '#f5f2ea',
    pane: '#fffdf8',
    line: '#2b3440',
    edge: '#2b3440',
    hair: '#c9c4b6',
    ink: '#1e2630',
    quiet: '#5a6472',
    green: '#1f5f4f',
    'green-wash': '#dfeae2',
    'on-green': '#fffdf8',
    amber: '#8f5209',
    'amber-wash': '#f6e5c8',
    brick: '#9e2f2a',
  },
  night: {
    ground: '#12181f',
    pane: '#1a222b',
    line: '#3a4653',
    /** Of what is typed into: 3 to 1 with what is around it (WCAG 2.2, section 1.4.11). */
    edge: '#76838f',
    hair: '#2d3844',
    ink: '#e9e4d8',
    quiet: '#a3adb8',
    green: '#7cc4ac',
    'green-wash': '#21392f',
    'on-green': '#12181f',
    amber: '#f2b65a',
    'amber-wash': '#3d3016',
    brick: '#f08a7e',
  },
} as const;

export type ThemeName = keyof typeof COLOURS;

/** The one source of sizes of text, in pixels. */
const TYPE = { tiny: 11, small: 12, text: 13, part: 14, head: 20 } as const;

/** Colours and sizes of text as variables of style sheets: `--ground`, `--type-small` and the others. */
export const themeVariables = (name: ThemeName): Record<string, Record<string, string>> => ({
  ':root': {
    ...Object.fromEntries(Object.entries(COLOURS[name]).map(([colour, value]) => [`--${colour}`, value])),
    ...Object.fromEntries(Object.entries(TYPE).map(([size, pixels]) => [`--type-${size}`, `${pixels}px`])),
    colorScheme: name === 'day' ? 'light' : 'dark',
  },
});

const SANS = "'Commissioner Variable', sans-serif";

/** A tool opens at once, and what is to be pressed does not move away under the pointer. */
const AT_ONCE = { transitionDuration: 0 };
const plainSheet = (line: string) => ({ border: `1px solid ${line}`, boxShadow: 'none', backgroundImage: 'none' });

export function makeTheme(name: ThemeName): Theme {
  const c = COLOURS[name];
  const on = c['on-green'];
  return createTheme({
    palette: {
      mode: name === 'day' ? 'light' : 'dark',
      primary: { main: c.green, contrastText: on },
      warning: { main: c.amber, contrastText: on },
      error: { main: c.brick, contrastText: on },
      background: { default: c.ground, paper: c.pane },
      text: { primary: c.ink, secondary: c.quiet },
      divider: c.line,
    },
    shape: { borderRadius: 2 },
    typography: { fontFamily: SANS, fontSize: TYPE.text, button: { textTransform: 'none', fontWeight: 600 } },
    components: {
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true, size: 'small' },
        styleOverrides: { root: { minHeight: 28, lineHeight: 1.3, transition: 'none' } },
      },
      MuiToggleButton: {
        styleOverrides: {
          root: {
            textTransform: 'none',
            padding: '3px 10px',
            color: c.ink,
            borderColor: c.line,
            '&.Mui-selected': { background: c.green, color: on, '&:hover': { background: c.green } },
          },
        },
      },
      MuiPopover: { defaultProps: AT_ONCE, styleOverrides: { paper: plainSheet(c.line) } },
      MuiDialog: { defaultProps: AT_ONCE, styleOverrides: { paper: plainSheet(c.line) } },
      MuiTooltip: { styleOverrides: { tooltip: { background: c.ink, color: c.pane, fontSize: TYPE.small } } },
      MuiCheckbox: { styleOverrides: { root: { padding: 2, color: c.ink } } },
      MuiFormControlLabel: { styleOverrides: { root: { margin: 0 } } },
      MuiOutlinedInput: { styleOverrides: { notchedOutline: { borderColor: c.edge } } },
    },
  });
}
