import { createTheme, type Theme } from '@mui/material/styles';

/** Paper and instrument: the one place for colours. Everything else names them by their custom property. */
const TONES = {
  light: {
    paper: '#f5f3ee',
    sheet: '#fbfaf7',
    sunk: '#ece8df',
    ink: '#22262b',
    quiet: '#565b62',
    hair: '#d9d4c8',
    edge: '#8b8a83',
    carries: '#2c6e63',
    'carries-soft': '#c3d8d2',
    'on-carries': '#fbfaf7',
    doubt: '#8f6114',
    'doubt-soft': '#e3d3b4',
    short: '#9c3a36',
    'short-soft': '#e6c8c4',
    info: '#41608c',
    'info-soft': '#cbd6e6',
    hatch: '#cfc9bb',
    shade: 'rgb(34 38 43 / 18%)',
  },
  dark: {
    paper: '#1b1e22',
    sheet: '#22262b',
    sunk: '#2a2e33',
    ink: '#e9e5db',
    quiet: '#adb1b6',
    hair: '#3b4046',
    edge: '#858a90',
    carries: '#74c0b0',
    'carries-soft': '#2f4d48',
    'on-carries': '#15181b',
    doubt: '#dbad62',
    'doubt-soft': '#4d4029',
    short: '#e8948d',
    'short-soft': '#54322f',
    info: '#93b1dd',
    'info-soft': '#2f3e55',
    hatch: '#474c52',
    shade: 'rgb(0 0 0 / 45%)',
  },
} as const;
type Tones = Record<keyof (typeof TONES)['light'], string>;

/** Paper is light and ink black, whatever the screen shows. */
const PRINTED: Partial<Tones> = {
  paper: '#fff',
  sheet: '#fff',
  ink: '#000',
  quiet: '#444',
  hair: '#bbb',
  edge: '#777',
  carries: '#000',
};

const asProperties = (tones: Partial<Tones>) =>
  Object.fromEntries(Object.entries(tones).map(([name, value]) => [`--${name}`, value]));

/** The tones as custom properties, for both themes and for paper; and stillness for who asked for it. */
export const toneStyles = {
  ':root, [data-theme="light"]': { ...asProperties(TONES.light), colorScheme: 'light' },
  '[data-theme="dark"]': { ...asProperties(TONES.dark), colorScheme: 'dark' },
  // who asked for stillness gets it, from every component
  '@media (prefers-reduced-motion: reduce)': {
    '*, *::before, *::after': { transition: 'none !important', animation: 'none !important' },
  },
  '@media print': { ':root, [data-theme]': { ...asProperties(PRINTED), colorScheme: 'light' } },
};

const palette = (tones: Tones) => ({
  // under the pointer a button is a shade off its colour, and its words still stand out from it
  tonalOffset: 0.1,
  primary: { main: tones.carries, contrastText: tones['on-carries'] },
  secondary: { main: tones.info, contrastText: tones['on-carries'] },
  error: { main: tones.short, contrastText: tones['on-carries'] },
  warning: { main: tones.doubt, contrastText: tones['on-carries'] },
  info: { main: tones.info, contrastText: tones['on-carries'] },
  success: { main: tones.carries, contrastText: tones['on-carries'] },
  background: { default: tones.paper, paper: tones.sheet },
  text: { primary: tones.ink, secondary: tones.quiet },
  divider: tones.hair,
});

const hairline = '1px solid var(--hair)';
const OVERLAY = '0 4px 14px var(--shade)';
const shadows = Array.from({ length: 25 }, (_, i) => (i === 0 ? 'none' : OVERLAY)) as Theme['shadows'];

/** The one theme: type, density and how every component looks. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: { light: { palette: palette(TONES.light) }, dark: { palette: palette(TONES.dark) } },
  shape: { borderRadius: 3 },
  spacing: 4,
  // nor does who asked for stillness wait for what would have moved
  motion: { reducedMotion: 'system' },
  shadows,
  typography: {
    fontFamily: "'Source Sans 3 Variable', Meanwhile, system-ui, sans-serif",
    fontSize: 13,
    h1: { fontSize: 18, lineHeight: '24px', fontWeight: 650 },
    h2: { fontSize: 14, lineHeight: '20px', fontWeight: 650 },
    h3: { fontSize: 13, lineHeight: '18px', fontWeight: 650 },
    body1: { fontSize: 14, lineHeight: '20px' },
    body2: { fontSize: 12.5, lineHeight: '17px' },
    subtitle1: { fontSize: 14, lineHeight: '20px', fontWeight: 650 },
    subtitle2: { fontSize: 13, lineHeight: '18px', fontWeight: 650 },
    caption: { fontSize: 12, lineHeight: '16px' },
    button: { fontSize: 13, lineHeight: '20px', textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { size: 'small', disableElevation: true },
      styleOverrides: {
        root: {
          minWidth: 0,
          // beside a field that takes what is left, a button keeps its width
          flexShrink: 0,
          whiteSpace: 'nowrap',
          padding: '2px 10px',
          // a target that a finger or a trembling hand still meets
          minHeight: 24,
          '&.Mui-focusVisible': { outline: '2px solid var(--info)', outlineOffset: 2 },
        },
        text: { padding: '2px 6px' },
      },
    },
    MuiIconButton: { defaultProps: { size: 'small' }, styleOverrides: { root: { borderRadius: 3 } } },
    MuiLink: { styleOverrides: { root: { textUnderlineOffset: 3, textDecorationThickness: 1 } } },
    MuiPaper: { defaultProps: { elevation: 0, square: false }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiCard: { defaultProps: { variant: 'outlined' } },
    MuiChip: {
      defaultProps: { size: 'small', variant: 'outlined' },
      styleOverrides: { root: { borderRadius: 3, height: 24 } },
    },
    // each field that comes or goes would have the styles of the whole page reckoned anew
    MuiInputBase: { defaultProps: { disableInjectingGlobalStyles: true } },
    // the page itself never scrolls: locking it would only lay it out anew
    MuiModal: { defaultProps: { disableScrollLock: true } },
    MuiTextField: { defaultProps: { size: 'small', variant: 'outlined' } },
    MuiOutlinedInput: {
      defaultProps: { notched: true },
      styleOverrides: {
        root: { backgroundColor: 'var(--sheet)', fontSize: 14 },
        // the gap in the frame is as wide as the label, which is 16 px at three quarters
        notchedOutline: { borderColor: 'var(--edge)', '& legend': { fontSize: 12 } },
        input: { padding: '4px 8px', height: 20 },
      },
    },
    // labels stay where they are: a field reads the same empty and filled
    MuiInputLabel: { defaultProps: { shrink: true }, styleOverrides: { root: { fontSize: 16 } } },
    MuiAutocomplete: { styleOverrides: { inputRoot: { '&&': { padding: '0 8px' } } } },
    MuiSelect: { defaultProps: { size: 'small' } },
    MuiMenuItem: { styleOverrides: { root: { fontSize: 14, minHeight: 30, paddingBlock: 3 } } },
    MuiCheckbox: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 4 } } },
    MuiRadio: { defaultProps: { size: 'small' }, styleOverrides: { root: { padding: 4 } } },
    MuiSwitch: {
      defaultProps: { size: 'small' },
      styleOverrides: { thumb: { boxShadow: 'none', border: '1px solid var(--edge)' } },
    },
    MuiButtonGroup: { defaultProps: { size: 'small', disableElevation: true } },
    MuiFormControlLabel: { styleOverrides: { root: { marginLeft: -4 }, label: { fontSize: 13 } } },
    MuiToggleButtonGroup: { defaultProps: { size: 'small', exclusive: true } },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          textTransform: 'none',
          gap: 6,
          padding: '1px 9px',
          minHeight: 26,
          color: 'var(--quiet)',
          borderColor: 'var(--hair)',
          '&.Mui-selected': {
            color: 'var(--ink)',
            backgroundColor: 'var(--sheet)',
            boxShadow: 'inset 0 -2px 0 var(--carries)',
          },
        },
      },
    },
    MuiTabs: { styleOverrides: { root: { minHeight: 34 }, indicator: { height: 2 } } },
    MuiTab: {
      styleOverrides: {
        root: { textTransform: 'none', minHeight: 34, minWidth: 0, padding: '6px 10px', fontSize: 14 },
      },
    },
    // what a hint lies over can still be pressed
    MuiTooltip: { defaultProps: { arrow: false, enterDelay: 300, disableInteractive: true } },
    MuiTableCell: {
      styleOverrides: {
        root: { padding: '4px 8px 4px 0', borderBottom: hairline, fontSize: 13, lineHeight: '18px' },
        // a figure stays beside its unit
        alignRight: { '&.MuiTableCell-body': { whiteSpace: 'nowrap' } },
        head: { color: 'var(--quiet)', fontWeight: 600, fontSize: 12.5 },
      },
    },
    MuiAccordion: {
      defaultProps: { disableGutters: true, square: true },
      styleOverrides: {
        root: { background: 'none', borderBottom: hairline, '&::before': { display: 'none' } },
      },
    },
    MuiAccordionSummary: {
      styleOverrides: {
        root: { minHeight: 32, padding: 0, font: 'inherit', color: 'var(--ink)' },
        content: { margin: '6px 0', alignItems: 'baseline', gap: 4 },
      },
    },
    MuiAccordionDetails: { styleOverrides: { root: { padding: '0 0 10px' } } },
    MuiAlert: {
      defaultProps: { variant: 'outlined' },
      styleOverrides: {
        root: { padding: '4px 12px', color: 'var(--ink)', backgroundColor: 'var(--sheet)', fontSize: 13 },
      },
    },
    // over the ledger, which it does not hide
    MuiSnackbar: { styleOverrides: { root: { '@media (min-width:600px)': { bottom: 56 } } } },
    MuiSnackbarContent: {
      styleOverrides: {
        root: {
          color: 'var(--ink)',
          backgroundColor: 'var(--sheet)',
          border: '1px solid var(--edge)',
          boxShadow: OVERLAY,
          fontSize: 13,
          padding: '2px 14px',
          maxWidth: 460,
        },
      },
    },
    MuiDialogTitle: { styleOverrides: { root: { fontSize: 16, padding: '12px 16px 6px' } } },
    MuiDialogContent: { styleOverrides: { root: { padding: '6px 16px 12px' } } },
    MuiDialogActions: { styleOverrides: { root: { padding: '8px 16px 12px' } } },
    MuiListItemButton: { styleOverrides: { root: { borderRadius: 3, paddingBlock: 4 } } },
    MuiLinearProgress: { styleOverrides: { root: { height: 3, backgroundColor: 'var(--sunk)' } } },
    MuiSkeleton: { styleOverrides: { root: { backgroundColor: 'var(--sunk)' } } },
  },
});
