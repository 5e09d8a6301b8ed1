import { working } from '@viga/core'
import { Formula } from '../widgets/Formula'
import { useStiffnessBook, useWorkingView } from './working-view'
import type { StepProps } from './step'

/** Where an entry of K comes from: in symbols, in numbers, and in one plain sentence. */
export function EntrySum({
  units,
  at,
  address,
}: Pick<StepProps, 'units'> & {
  at: { row: number; column: number } | null
  address: (e: { row: number; column: number }) => string
}) {
  const { reading } = useWorkingView()
  const ledger = useStiffnessBook()
  const shown = ledger.context
  if (!at) return <p className="prose entry-sum">Choose an entry to see what it is the sum of.</p>
  const all = working.unknowns(shown)
  const [r, c] = [all[at.row], all[at.column]]
  const { symbol, value, unit, origin } = ledger.origin(address(at))
  const verb = (u: working.Unknown) =>
    u.component === 'rotation'
      ? `${u.node} turns by one radian`
      : `${u.node} moves by one ${units.length} along ${u.component}`
  const force = (u: working.Unknown) =>
    u.component === 'rotation' ? `moment at ${u.node}` : `force at ${u.node} along ${u.component}`
  const f = origin.kind === 'formula' ? origin.formula : undefined
  const number = working.shown(value, reading)
  return (
    <div className="entry-sum">
      {!f ? (
        <p className="prose">
          No member joins <i>{r.node}</i> and <i>{c.node}</i> here: the entry is 0.
        </p>
      ) : (
        <>
          <Formula
            tex={[
              working.symbolLatex(symbol),
              working.formulaLatex(f),
              ...(f.t === 'letter' ? [] : [working.formulaLatex(f, 'numbers', undefined, reading.figures)]),
              working.numberLatex(number) + (unit && `\\;${working.wordsLatex(unit)}`),
            ].join('=')}
            plain={`${working.symbolText(symbol)} = ${number} ${unit}`}
          />
          <p className="prose">
            The {force(r)} when {verb(c)} while every other unknown is held.
          </p>
        </>
      )}
    </div>
  )
}
