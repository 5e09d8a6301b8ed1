import '@mui/material/Button'

declare module '@mui/material/Button' {
  /** Buttons of our own: in a line of words, and one of several answers to a question. */
  interface ButtonPropsVariantOverrides {
    quiet: true
    choice: true
  }
}
