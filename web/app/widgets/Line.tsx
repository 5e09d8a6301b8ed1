import InputBase from '@mui/material/InputBase'
import { forwardRef, type ComponentPropsWithoutRef } from 'react'
import './line.css'

// elements as they are, with the look from a style sheet: a page has a hundred of these, and the library
// would work out the style of each anew at every key
const slots = { root: 'span', input: 'input' } as const
const slotProps = { root: { className: 'line-frame' } }

/** A line to type in: MUI's input without a frame, which takes the look of the cell it stands in. */
export const Line = forwardRef<HTMLInputElement, ComponentPropsWithoutRef<'input'>>(function Line(
  { value, onChange, onFocus, onBlur, onKeyDown, autoFocus, placeholder, type, ...rest },
  ref,
) {
  return (
    <InputBase
      slots={slots}
      slotProps={slotProps}
      disableInjectingGlobalStyles
      inputRef={ref}
      value={value}
      type={type}
      placeholder={placeholder}
      autoFocus={autoFocus}
      onChange={onChange}
      onFocus={onFocus}
      onBlur={onBlur}
      onKeyDown={onKeyDown}
      inputProps={rest}
    />
  )
})
