import ToggleButton from '@mui/material/ToggleButton'
import type { ComponentPropsWithoutRef } from 'react'
import { Explained } from './Explained'
import './line.css'

type Props = Omit<ComponentPropsWithoutRef<typeof ToggleButton>, 'selected' | 'value'> & {
  /** True while it is pressed. */
  on: boolean | undefined
}

/** Words that are on or off: MUI's toggle button, as plain as the words in it. */
export const Toggle = ({ on, className, title, ...rest }: Props) => (
  <Explained title={title}>
    <ToggleButton
      {...rest}
      value="on"
      selected={on ?? false}
      className={className ? `press ${className}` : 'press'}
    />
  </Explained>
)
