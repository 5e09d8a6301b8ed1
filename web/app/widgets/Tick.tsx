import Checkbox from '@mui/material/Checkbox'
import Radio from '@mui/material/Radio'
import type { ChangeEvent, ReactNode } from 'react'

interface Props {
  checked: boolean
  disabled?: boolean
  onChange: (e: ChangeEvent<HTMLInputElement>) => void
  'aria-label'?: string
}

const BOX = { width: 13, height: 13, viewBox: '0 0 13 13', fill: 'none', 'aria-hidden': true } as const

const frame: ReactNode = <rect x="0.6" y="0.6" width="11.8" height="11.8" stroke="var(--hair-2)" />
const empty = <svg {...BOX}>{frame}</svg>
const ticked = (
  <svg {...BOX}>
    <rect x="0.6" y="0.6" width="11.8" height="11.8" stroke="var(--cedar)" />
    <path d="M3 6.6l2.5 2.7L10 3.8" stroke="var(--cedar-deep)" strokeWidth="1.6" />
  </svg>
)
const ring = (
  <svg {...BOX}>
    <circle cx="6.5" cy="6.5" r="5.7" stroke="var(--hair-2)" />
  </svg>
)
const chosen = (
  <svg {...BOX}>
    <circle cx="6.5" cy="6.5" r="5.7" stroke="var(--cedar)" />
    <circle cx="6.5" cy="6.5" r="2.9" fill="var(--cedar-deep)" />
  </svg>
)

/** Yes or no, beside its words; the label stands around it. */
export const Tick = ({ 'aria-label': label, ...rest }: Props) => (
  <Checkbox {...rest} icon={empty} checkedIcon={ticked} slotProps={{ input: { 'aria-label': label } }} />
)

/** One of several, beside its words. */
export const OneOf = ({ name, ...rest }: Props & { name: string }) => (
  <Radio {...rest} name={name} icon={ring} checkedIcon={chosen} />
)
