import { Refusal, useRepairKey } from './FieldSentence'
import { EntryInput } from './OneLine'

interface Props {
  name: string
  placeholder: string
  className?: string
  value: string
  onChange: (text: string) => void
  /** Enter was pressed; the field it was pressed in. */
  onEnter: (field: HTMLInputElement) => void
  /** Empties the whole row; returns whether there was anything in it. */
  onEscape: () => boolean
  /** Why the text of this cell was refused, and the part of it that is meant. */
  refusal?: { message: string; rest?: string }
}

/** A cell of a new row, with its sentence and its repairs; Escape empties the whole row, then leaves it. */
export function RowCell({
  name,
  placeholder,
  className,
  value,
  onChange,
  onEnter,
  onEscape,
  refusal,
}: Props) {
  const repair = useRepairKey()
  const mend = refusal && { text: value, rest: refusal.rest, take: onChange }
  return (
    <>
      <EntryInput
        name={name}
        placeholder={placeholder}
        className={className}
        value={value}
        wrong={refusal !== undefined}
        onChange={onChange}
        onEnter={onEnter}
        onKey={(e) => {
          if (e.key !== 'Escape') return repair(e, mend)
          if (onEscape()) e.stopPropagation()
          // in an empty row the key leaves the fields, so that keys are commands again
          else e.currentTarget.blur()
          return true
        }}
      />
      <Refusal mend={mend}>{refusal?.message}</Refusal>
    </>
  )
}
