import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase'
import { forwardRef } from 'react'
import './line.css'

/**
 * Something to press, as plain as the words in it: MUI's button with the page's own look. It lies in a line
 * of text as words do.
 */
export const Press = forwardRef<HTMLButtonElement, ButtonBaseProps>(function Press(
  { className, ...rest },
  ref,
) {
  return <ButtonBase ref={ref} {...rest} className={className ? `press ${className}` : 'press'} />
}) as typeof ButtonBase
