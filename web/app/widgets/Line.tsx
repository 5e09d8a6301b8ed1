import InputBase from '@mui/material/InputBase'
import { forwardRef, type ComponentPropsWithoutRef } from 'react'
import { useTypedSteps } from './typed-steps'
import './line.css'

interface Props extends ComponentPropsWithoutRef<'input'> {
  /**
   * Says that what stands here is no part of the problem, so that the key of undo undoes its typing: `true`,
   * or what gives back the text that stood here before anything was typed.
   */
  typing?: true | (() => void)
}

// elements as they are, with the look from a style sheet: a page has a hundred of these, and the library
// would work out the style of each anew at every key
const slots = { root: 'span', input: 'input' } as const
const slotProps = { root: { className: 'line-frame' } }

/** A line to type in: MUI's input without a frame, which takes the look of the cell it stands in. */
export const Line = forwardRef<HTMLInputElement, Props>(function Line(
  { value, onChange, onFocus, onBlur, onKeyDown, autoFocus, placeholder, type, typing, ...rest },
  ref,
) {
  const text = String(value ?? '')
  const steps = useTypedSteps(typing && { text, ...(typeof typing === 'function' ? { giveUp: typing } : {}) })
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
      onChange={(e) => {
        steps.typed(text, e.target.value)
        onChange?.(e as Parameters<typeof onChange>[0])
      }}
      onFocus={onFocus}
      onBlur={onBlur}
      onKeyDown={(e) => {
        steps.onKeyDown(e)
        if (!e.isPropagationStopped()) onKeyDown?.(e as Parameters<typeof onKeyDown>[0])
      }}
      inputProps={typeof typing === 'function' ? { ...rest, 'data-typing': '' } : rest}
    />
  )
})
