import '@mui/material/Button'

declare module '@mui/material/Button' {
  /** Buttons of our own: in the top line, in a line of words, and one of several answers to a question. */
  interface ButtonPropsVariantOverrides {
    tool: true
    quiet: true
    choice: true
  }
}
