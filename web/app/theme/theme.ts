import { createTheme } from '@mui/material/styles'

const type = (fontFamily: string, fontSize: number, lineHeight: string, fontWeight = 400) => ({
  fontFamily,
  fontSize,
  lineHeight,
  fontWeight,
  letterSpacing: 0,
})

/** MUI under our own look: square corners, no uppercase, no ripple, colours from tokens.css. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-scheme="%s"]' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#9a5b2e' },
        error: { main: '#ae3527' },
        background: { default: '#fbf8f2', paper: '#fffdf9' },
        text: { primary: '#1e2a36', secondary: '#4c5864' },
        divider: '#ddd5c7',
      },
    },
    dark: {
      palette: {
        primary: { main: '#db9a63' },
        error: { main: '#f0897a' },
        background: { default: '#171a1d', paper: '#1d2125' },
        text: { primary: '#ebe4d8', secondary: '#bdb6aa' },
        divider: '#34373a',
      },
    },
  },
  shape: { borderRadius: 0 },
  spacing: 4,
  typography: {
    ...type('var(--sans)', 13, '20px'),
    button: { ...type('var(--sans)', 13, '20px', 500), textTransform: 'none' },
    body1: type('var(--sans)', 13, '20px'),
    body2: type('var(--sans)', 12.5, '20px'),
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minWidth: 0, padding: '6px 12px', borderRadius: 0 } },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiMenu: {
      styleOverrides: {
        paper: { border: '1px solid var(--cedar)', boxShadow: '0 8px 24px -10px var(--shade)' },
        list: { padding: '4px 0' },
      },
    },
    MuiMenuItem: {
      styleOverrides: {
        root: {
          minHeight: 28,
          fontSize: 12.5,
          padding: '3px 14px',
          '&.Mui-selected': { background: 'var(--cedar-wash)' },
          '&.Mui-focusVisible': { background: 'var(--cedar-wash)' },
        },
      },
    },
    MuiInputBase: {
      styleOverrides: {
        root: { fontSize: 12.5, fontVariantNumeric: 'tabular-nums' },
        input: { padding: 0, height: 'auto' },
      },
    },
    MuiPaginationItem: {
      styleOverrides: {
        root: {
          minWidth: 28,
          height: 28,
          borderRadius: 0,
          fontSize: 12.5,
          fontVariantNumeric: 'tabular-nums',
          color: 'var(--ink-2)',
          '&.Mui-selected, &.Mui-selected:hover': {
            background: 'var(--cedar-wash)',
            color: 'var(--ink)',
            borderBottom: '1.5px solid var(--cedar)',
          },
        },
      },
    },
    MuiTooltip: {
      styleOverrides: {
        tooltip: { background: 'var(--ink)', color: 'var(--paper)', fontSize: 11.5, borderRadius: 0 },
      },
    },
    MuiSnackbarContent: {
      styleOverrides: {
        root: {
          background: 'var(--ink)',
          color: 'var(--paper)',
          borderRadius: 0,
          boxShadow: '0 8px 24px -10px var(--shade)',
        },
      },
    },
  },
})
