import ButtonBase from '@mui/material/ButtonBase'
import { styled } from '@mui/material/styles'

/**
 * Something to press, as plain as the words in it: MUI's button with the page's own look. It lies in a line of
 * text as words do.
 */
export const Press = styled(ButtonBase)({
  display: 'inline-block',
  verticalAlign: 'baseline',
  textAlign: 'inherit',
  font: 'inherit',
  '&.Mui-disabled': { opacity: 0.45, pointerEvents: 'auto', cursor: 'default' },
}) as typeof ButtonBase
