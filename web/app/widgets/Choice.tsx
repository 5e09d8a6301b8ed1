import FormControlLabel from '@mui/material/FormControlLabel'
import Radio from '@mui/material/Radio'
import RadioGroup from '@mui/material/RadioGroup'
import type { ReactNode } from 'react'
import { chosen, ring } from './signs-of-choice'

interface Props<K extends string> {
  /** The name of the choice, as it is read aloud. */
  label: string
  /** Words before the options. */
  lead?: string
  options: readonly (readonly [key: K, words: ReactNode])[]
  value: K
  onChange: (key: K) => void
  className?: string
}

/** One of a few, all in view: MUI's radio group with the page's own look. */
export const Choice = <K extends string>({ label, lead, options, value, onChange, className }: Props<K>) => (
  <RadioGroup aria-label={label} value={value} className={className} onChange={(_, v) => onChange(v as K)}>
    {lead && <span className="quiet">{lead}</span>}
    {options.map(([key, words]) => (
      <FormControlLabel
        key={key}
        value={key}
        disableTypography
        className={key === value ? 'on' : undefined}
        control={<Radio icon={ring} checkedIcon={chosen} />}
        label={words}
      />
    ))}
  </RadioGroup>
)
