import { createTheme } from '@mui/material/styles';

/** Paper and instrument. The same hues as the custom properties in look.css; both change together. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#2C6E63' },
        secondary: { main: '#41608C' },
        error: { main: '#9C3A36' },
        warning: { main: '#8F6114' },
        info: { main: '#41608C' },
        success: { main: '#2C6E63' },
        background: { default: '#F5F3EE', paper: '#FBFAF7' },
        text: { primary: '#22262B', secondary: '#565B62' },
        divider: '#D9D4C8',
      },
    },
    dark: {
      palette: {
        primary: { main: '#74C0B0', contrastText: '#15181B' },
        secondary: { main: '#93B1DD' },
        error: { main: '#E8948D' },
        warning: { main: '#DBAD62' },
        info: { main: '#93B1DD' },
        success: { main: '#74C0B0' },
        background: { default: '#1B1E22', paper: '#22262B' },
        text: { primary: '#E9E5DB', secondary: '#ADB1B6' },
        divider: '#3B4046',
      },
    },
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: "'Source Sans 3 Variable', system-ui, sans-serif",
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiButton: {
      defaultProps: { size: 'small', disableElevation: true },
      styleOverrides: { root: { paddingTop: 2, paddingBottom: 2 } },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiTooltip: { defaultProps: { arrow: false, enterDelay: 300 } },
  },
});
