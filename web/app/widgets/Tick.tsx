import Checkbox from '@mui/material/Checkbox'
import type { ChangeEvent } from 'react'
import { empty, ticked } from './signs-of-choice'

interface Props {
  checked: boolean
  disabled?: boolean
  onChange: (e: ChangeEvent<HTMLInputElement>) => void
  'aria-label'?: string
}

/** Yes or no, beside its words; the label stands around it. */
export const Tick = ({ 'aria-label': label, ...rest }: Props) => (
  <Checkbox {...rest} icon={empty} checkedIcon={ticked} slotProps={{ input: { 'aria-label': label } }} />
)
