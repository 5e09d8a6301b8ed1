import { working } from '@viga/core'
import { useCallback, useMemo } from 'react'
import { useStiffnessBook, useWorkingView } from './working-view'
import { LargeMatrix } from './LargeMatrix'
import { powerOfLarge } from './large-power'

/** A part of K that is too large to be written out. */
export function LargeBlock({ block }: { block: working.MatrixBlock }) {
  const { reading } = useWorkingView()
  const ledger = useStiffnessBook()
  const { rows, columns, at, title, unit } = block
  const { solution } = ledger.context
  const unknownsOf = (marks: readonly working.Mark[]) =>
    marks.flatMap((m) => ('unknown' in m ? [m.unknown] : []))
  const [r, c] = useMemo(() => [unknownsOf(rows), unknownsOf(columns)], [rows, columns])
  const placeOf = useMemo(() => [r, c].map((all) => new Map(all.map((u, i) => [u.index, i]))), [r, c])
  const address = useCallback(
    (row: number, column: number) => at(placeOf[0].get(row)!, placeOf[1].get(column)!),
    [at, placeOf],
  )
  const power = useMemo(
    () => (reading.power && !block.factor ? powerOfLarge(ledger) : 0),
    [ledger, reading.power, block.factor],
  )
  return (
    <>
      <div className="matrix-head">
        <span>{title}</span>
        <span className="quiet">{working.powerWords(power, unit)}</span>
      </div>
      <LargeMatrix label={title} solution={solution} rows={r} columns={c} address={address} power={power} />
    </>
  )
}
