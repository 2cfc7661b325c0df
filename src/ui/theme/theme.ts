'use client';
import { createTheme } from '@mui/material/styles';

const body = "'Atkinson Hyperlegible Next Variable', sans-serif";
const heading = "'Fraunces Variable', serif";

/** The tokens of tokens.css as a MUI theme; both schemes, chosen by the attribute data-scheme. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#7c2d1a', contrastText: '#fffdf8' },
        error: { main: '#9c2a12' },
        background: { default: '#f7f2e8', paper: '#fffdf8' },
        text: { primary: '#221b14', secondary: '#6a5e50' },
        divider: '#ded3c1',
      },
    },
    dark: {
      palette: {
        primary: { main: '#e59478', contrastText: '#221208' },
        error: { main: '#f0a28c' },
        background: { default: '#1b1611', paper: '#241d17' },
        text: { primary: '#f4ecdf', secondary: '#b8a996' },
        divider: '#43382d',
      },
    },
  },
  shape: { borderRadius: 7 },
  typography: {
    fontFamily: body,
    fontSize: 14,
    button: { textTransform: 'none', fontWeight: 600 },
    h1: { fontFamily: heading },
    h2: { fontFamily: heading },
    h3: { fontFamily: heading },
  },
  transitions: {
    duration: {
      shortest: 80,
      shorter: 100,
      short: 120,
      standard: 150,
      complex: 180,
      enteringScreen: 120,
      leavingScreen: 100,
    },
  },
  components: {
    MuiButton: { defaultProps: { disableElevation: true, disableRipple: true } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiTableCell: {
      styleOverrides: {
        root: { padding: '7px 10px', borderColor: 'var(--line)' },
        head: { color: 'var(--soft)', fontWeight: 600 },
      },
    },
    MuiTooltip: { defaultProps: { arrow: true } },
  },
});
