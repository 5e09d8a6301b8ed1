import InputBase from '@mui/material/InputBase'
import { Frameless } from './Frameless'
import { forwardRef, type ComponentPropsWithoutRef } from 'react'

const slots = { root: Frameless }

/** A line to type in: MUI's input without a frame, which takes the look of the cell it stands in. */
export const Line = forwardRef<HTMLInputElement, ComponentPropsWithoutRef<'input'>>(function Line(
  { value, onChange, onFocus, onBlur, onKeyDown, autoFocus, placeholder, type, ...rest },
  ref,
) {
  return (
    <InputBase
      slots={slots}
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
