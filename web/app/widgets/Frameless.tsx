import { styled } from '@mui/material/styles'

/**
 * The frame that the library puts around a field, as no box of its own: the cell or the line of words that
 * the field stands in is its frame. A span, since words may stand around it.
 */
export const Frameless = styled('span')({ display: 'contents' })
