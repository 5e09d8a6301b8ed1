import InputBase from '@mui/material/InputBase'
import { forwardRef, type ComponentPropsWithoutRef } from 'react'

/** The frame around the field is no box of its own: the cell or line it stands in is. */
const FRAMELESS = { display: 'contents' } as const

/** A line to type in: MUI's input without a frame, which takes the look of the cell it stands in. */
export const Line = forwardRef<HTMLInputElement, ComponentPropsWithoutRef<'input'>>(function Line(
  { value, onChange, onFocus, onBlur, onKeyDown, autoFocus, placeholder, type, ...rest },
  ref,
) {
  return (
    <InputBase
      sx={FRAMELESS}
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
