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
      styleOverrides: { root: { minWidth: 0, padding: '6px 12px', borderRadius: 0, color: 'inherit' } },
      variants: [
        {
          props: { variant: 'quiet' },
          style: {
            padding: 0,
            fontWeight: 400,
            fontSize: 12.5,
            color: 'var(--cedar-deep)',
            borderBottom: '1px solid var(--hair-2)',
            lineHeight: '18px',
          },
        },
        {
          props: { variant: 'choice' },
          style: {
            display: 'block',
            width: '100%',
            margin: 0,
            padding: '10px 14px',
            textAlign: 'left',
            fontWeight: 400,
            border: '1px solid var(--hair-2)',
            '&:hover, &.Mui-focusVisible': { borderColor: 'var(--cedar)', background: 'var(--cedar-wash)' },
            '& b': { display: 'block', fontWeight: 600 },
          },
        },
      ],
    },
    MuiAutocomplete: {
      styleOverrides: {
        paper: { border: '1px solid var(--cedar)', boxShadow: '0 8px 24px -10px var(--shade)' },
        listbox: {
          padding: '4px 0',
          maxHeight: 320,
          '& .MuiAutocomplete-option': { minHeight: 0, padding: '3px 12px', fontSize: 12.5 },
          '& .MuiAutocomplete-option.Mui-focused, & .MuiAutocomplete-option[aria-selected="true"]': {
            background: 'var(--cedar-wash)',
          },
        },
      },
    },
    MuiCheckbox: {
      styleOverrides: { root: { padding: 0, verticalAlign: '-2px' } },
    },
    MuiRadio: {
      styleOverrides: { root: { padding: 0, verticalAlign: '-2px' } },
    },
    MuiFormGroup: {
      styleOverrides: {
        root: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: '4px 14px' },
      },
    },
    MuiFormControlLabel: { styleOverrides: { root: { margin: 0, gap: 6 } } },
    // words that are on or off have the look of the words they stand among
    MuiToggleButton: {
      styleOverrides: {
        root: {
          padding: 0,
          border: 0,
          borderRadius: 0,
          color: 'inherit',
          textTransform: 'none',
          '&:hover': { background: 'none' },
          '&.Mui-selected, &.Mui-selected:hover': { color: 'inherit', background: 'none' },
        },
      },
    },
    MuiInput: { defaultProps: { disableUnderline: true } },
    MuiNativeSelect: { styleOverrides: { root: { padding: 0 } } },
    MuiDialog: {
      styleOverrides: {
        paper: {
          border: '1px solid var(--cedar)',
          boxShadow: '0 18px 48px -18px var(--shade)',
          background: 'var(--sheet)',
        },
      },
    },
    MuiDialogTitle: {
      styleOverrides: { root: { font: '500 19px/26px var(--serif)', padding: '18px 24px 6px' } },
    },
    MuiDialogContent: { styleOverrides: { root: { padding: '4px 24px 10px' } } },
    MuiDialogActions: {
      defaultProps: { disableSpacing: true },
      styleOverrides: {
        root: {
          padding: '4px 24px 20px',
          gap: 14,
          '&.ask-choices': { flexDirection: 'column', alignItems: 'flex-start' },
        },
      },
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
        // it lies in a line of text as an element of its own does
        input: { padding: 0, height: 'auto', display: 'inline-block' },
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
    MuiPopover: {
      styleOverrides: {
        paper: { border: '1px solid var(--cedar)', boxShadow: '0 8px 24px -10px var(--shade)' },
      },
    },
    MuiSlider: {
      styleOverrides: {
        root: { height: 2, padding: '10px 0', color: 'var(--cedar)', borderRadius: 0 },
        rail: { opacity: 1, background: 'var(--hair-2)' },
        thumb: {
          width: 11,
          height: 11,
          background: 'var(--sheet)',
          border: '1.5px solid var(--cedar)',
          '&::before': { boxShadow: 'none' },
          '&:hover, &.Mui-focusVisible, &.Mui-active': {
            boxShadow: '0 0 0 5px color-mix(in srgb, var(--cedar) 18%, transparent)',
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
