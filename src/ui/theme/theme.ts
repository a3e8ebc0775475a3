'use client'
import { createTheme } from '@mui/material/styles'

/**
 * Achromatic, so that tones of hair can be judged against it (ISO 3664's reason). Colour is left to hair, formulas and
 * warnings.
 */
const ink = '#1d1d1d'
const paper = '#f4f4f4'
const chalk = '#ececec'
const slate = '#191919'

/** Where the keyboard is. Of the surround's ink, as a button's own may be that of the surround. */
const FOCUS = { outline: '2px solid var(--mui-palette-text-primary)', outlineOffset: 2 }

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: ink, contrastText: '#ffffff' },
        secondary: { main: '#5a5a5a' },
        info: { main: '#5a5a5a', light: '#8a8a8a' },
        warning: { main: '#8a4b00', contrastText: '#ffffff' },
        error: { main: '#a3120c' },
        background: { default: paper, paper: '#ffffff' },
        text: { primary: ink, secondary: '#565656' },
        divider: '#d4d4d4',
      },
    },
    dark: {
      palette: {
        primary: { main: chalk, contrastText: slate },
        secondary: { main: '#b4b4b4' },
        info: { main: '#b4b4b4', light: '#c8c8c8' },
        warning: { main: '#ffb35c', contrastText: '#191919' },
        error: { main: '#ff9188' },
        background: { default: slate, paper: '#242424' },
        text: { primary: chalk, secondary: '#b5b5b5' },
        divider: '#434343',
      },
    },
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: "'Source Sans 3 Variable', system-ui, sans-serif",
    fontSize: 14,
    h1: { fontSize: '1.6rem', fontWeight: 600, letterSpacing: '-0.01em' },
    h2: { fontSize: '1.15rem', fontWeight: 600 },
    h3: { fontSize: '0.95rem', fontWeight: 600 },
    button: { textTransform: 'none', fontWeight: 600 },
    caption: { fontSize: '0.8rem' },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        // On paper: the order, the map and the totals; nothing to press.
        '@media print': { 'nav, .screen-only': { display: 'none !important' }, body: { backgroundColor: '#ffffff' } },
        ':focus-visible': FOCUS,
        // Whoever asks their device for stillness gets it: nothing slides or fades. What shows progress still moves.
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': { transitionDuration: '0.01ms !important' },
        },
      },
    },
    // Its own style takes the outline away.
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { '&:focus-visible': FOCUS } },
    },
    MuiButton: { defaultProps: { disableElevation: true }, styleOverrides: { root: { minHeight: 44 } } },
    MuiToggleButton: { styleOverrides: { root: { minHeight: 44, textTransform: 'none' } } },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiDialog: { defaultProps: { fullWidth: true } },
  },
})
