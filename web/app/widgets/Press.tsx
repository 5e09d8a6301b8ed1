import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase'
import { forwardRef } from 'react'
import { Explained } from './Explained'
import './line.css'

/**
 * Something to press, as plain as the words in it: MUI's button with the page's own look. It lies in a line
 * of text as words do.
 */
export const Press = forwardRef<HTMLButtonElement, ButtonBaseProps>(function Press(
  { className, title, ...rest },
  ref,
) {
  const button = <ButtonBase ref={ref} {...rest} className={className ? `press ${className}` : 'press'} />
  // a tooltip has to be told of the pointer by the button, which does not hear it while it is disabled
  return rest.disabled ? button : <Explained title={title}>{button}</Explained>
}) as typeof ButtonBase
