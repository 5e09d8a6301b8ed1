import Autocomplete from '@mui/material/Autocomplete'
import { findRolled, formatNumber, searchRolled, type RolledShape, type Section } from '@viga/core'
import { useMemo, useState } from 'react'
import { EXAMPLES } from '../fields/examples'
import { Refusal } from '../fields/FieldSentence'
import { Line } from '../widgets/Line'

/** Areas and second moments as the handbooks of a series print them, per SI. */
const HANDBOOK = {
  mm: { A: 1e4, I: 1e8, units: ['cm²', 'cm⁴'] },
  in: { A: 1 / 0.0254 ** 2, I: 1 / 0.0254 ** 4, units: ['in²', 'in⁴'] },
} as const

/**
 * A rolled shape, found as one types: enter takes the first, arrows walk, and every line shows A and I.
 * @param put states the designation; returns why it was refused
 */
export default function Rolled({
  s,
  put,
}: {
  s: Section
  put: (change: Partial<Section>) => { message: string } | string | null
}) {
  const [text, setText] = useState(s.catalogue ?? '')
  const [refusal, setRefusal] = useState<string | null>(null)
  const found = useMemo(() => searchRolled(text === s.catalogue ? '' : text, 60), [text, s.catalogue])
  const state = (designation: string) => {
    const error = designation === s.catalogue ? null : put({ catalogue: designation })
    setRefusal(error === null ? null : typeof error === 'string' ? error : error.message)
    if (error === null) setText(designation)
  }
  return (
    <Autocomplete<RolledShape, false, true, true>
      className="rich-field wide"
      freeSolo
      disableClearable
      autoHighlight
      openOnFocus
      options={found}
      filterOptions={(all) => all}
      getOptionLabel={(o) => (typeof o === 'string' ? o : o.designation)}
      isOptionEqualToValue={(o, v) => o.designation === (typeof v === 'string' ? v : v.designation)}
      inputValue={text}
      value={s.catalogue ?? ''}
      onInputChange={(_, t, reason) => {
        if (reason !== 'reset') setText(t)
        setRefusal(null)
      }}
      // enter takes the shape of that very name, else the first that is found
      onChange={(_, o) =>
        state(typeof o === 'string' ? ((findRolled(o) ?? found[0])?.designation ?? o.trim()) : o.designation)
      }
      onBlur={() => {
        if (text.trim() === '') setText(s.catalogue ?? '')
        else
          state((findRolled(text) ?? (found.length === 1 ? found[0] : undefined))?.designation ?? text.trim())
      }}
      slotProps={{ popper: { sx: { minWidth: 330 } } }}
      renderOption={({ key, ...props }, o) => (
        <li key={key} {...props}>
          <RolledLine shape={o} />
        </li>
      )}
      renderInput={({ slotProps }) => (
        <span ref={slotProps.input.ref}>
          <Line
            {...slotProps.htmlInput}
            className="cell-input"
            aria-label={`rolled shape of ${s.id}`}
            placeholder={EXAMPLES.rolledShape}
          />
          <Refusal>{refusal}</Refusal>
        </span>
      )}
    />
  )
}

/** One line of the list: the designation, what it is, its A and I. */
function RolledLine({ shape }: { shape: RolledShape }) {
  const { A, I, units } = HANDBOOK[shape.series.unit]
  return (
    <span className="rolled-line">
      <b>{shape.designation}</b>
      <span className="n">
        {formatNumber(shape.A * A, { figures: 3 })} {units[0]}
      </span>
      <span className="n">
        {formatNumber(shape.I * I, { figures: 3 })} {units[1]}
      </span>
      <span className="quiet">{shape.series.title}</span>
    </span>
  )
}
