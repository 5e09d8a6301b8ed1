import { formatNumber, working, type Unknown } from '@viga/core'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Press } from '../widgets/Press'
import { useWorkingView } from './working-view'
import { MatrixView } from './MatrixView'
import { NumberMark } from './NumberMark'
import type { StepProps } from './step'

const NAME = <i>K|P</i>

/** The elimination of an action; it follows an edit when the displacements are shown already. */
function useElimination(now: StepProps) {
  const { problem: current } = useWorkingView().ledger.context
  const of = useDeferredValue(
    useMemo(
      () => ({ solution: now.solution, action: now.action, units: now.units, problem: current }),
      [now.solution, now.action, now.units, current],
    ),
  )
  const { solution, action, units, problem } = of
  const e = useMemo(
    () => working.gaussElimination(working.numbered(solution, problem), units, action),
    [solution, problem, units, action],
  )
  return { e, ...of }
}

/** The free equations written out, and their elimination row by row, one pivot at a time. */
export function EliminationView(now: StepProps) {
  const { e, solution, action, units } = useElimination(now)
  const [at, setAt] = useState(0)
  const { open, reading } = useWorkingView()
  const last = e?.steps.length ?? 0
  const shown = Math.min(at, last)
  const equations = e && (shown === 0 ? e.start : e.steps[shown - 1])
  const unknowns = e?.start.unknowns
  const entries = useMemo(
    () =>
      equations &&
      unknowns && {
        rows: unknowns,
        columns: [...unknowns, null],
        values: equations.K.map((r, i) => [...r, equations.right[i]]),
      },
    [equations, unknowns],
  )
  const pick = useCallback(
    ({ row: i, column: j }: { row: number; column: number }) => {
      if (!unknowns) return
      if (shown > 0) return open(working.addressOf('row', shown, i + 1, j + 1))
      const column = j === unknowns.length ? undefined : unknowns[j].index
      open(working.equationAddress(solution, action, unknowns[i].index, column))
    },
    [shown, solution, action, unknowns, open],
  )
  if (!e || !entries || !unknowns) return null
  return (
    <section className="elimination" aria-label="Elimination">
      <StepButtons at={shown} last={last} onGo={setAt} />
      <MatrixView
        label="equations of the free unknowns"
        name={NAME}
        entries={entries}
        power={0}
        reading={reading}
        augmented
        onPick={pick}
      />
      {shown > 0 && <Pivot step={e.steps[shown - 1]} unknowns={unknowns} />}
      {shown === last && <Back e={e} units={units} />}
    </section>
  )
}

/** Which pivot the equations stand at, and the ways to the others. */
function StepButtons({ at, last, onGo }: { at: number; last: number; onGo: (to: number) => void }) {
  return (
    <div className="matrix-head">
      <span>{at === 0 ? 'The equations, their right-hand sides last' : `After step ${at} of ${last}`}</span>
      <span className="step-buttons">
        <Press className="plain-button" disabled={at === 0} onClick={() => onGo(at - 1)}>
          back
        </Press>
        <Press className="plain-button" disabled={at === last} onClick={() => onGo(at + 1)}>
          {at === 0 ? 'eliminate' : 'next'}
        </Press>
        <Press className="quiet link" disabled={at === last} onClick={() => onGo(last)}>
          to the end
        </Press>
      </span>
    </div>
  )
}

interface PivotProps {
  step: working.Elimination['steps'][number]
  unknowns: readonly Unknown[]
}

/** What a pivot clears below it, row by row. */
function Pivot({ step, unknowns }: PivotProps) {
  return (
    <p className="prose">
      The pivot {formatNumber(step.value)} clears the column of <NumberMark of={unknowns[step.pivot]} /> below
      it:{' '}
      {step.factors.length === 0
        ? 'there is nothing to clear.'
        : step.factors.map((f, i) => (
            <span key={f.row}>
              {i > 0 && ', '}
              row <NumberMark of={unknowns[f.row]} /> {f.factor < 0 ? 'plus' : 'less'}{' '}
              {formatNumber(Math.abs(f.factor))} times it
            </span>
          ))}
    </p>
  )
}

/** Back-substitution, from the last unknown up: each line with the numbers put in. */
function Back({ e, units }: { e: working.Elimination; units: StepProps['units'] }) {
  const { unknowns } = e.start
  const name = (u: Unknown) => (
    <>
      D<sub>{u.number}</sub>
    </>
  )
  return (
    <>
      <p className="prose">Now the last equation has one unknown, and each one before it one more:</p>
      <table className="t back" aria-label="back-substitution">
        <tbody>
          {e.back.map((l) => (
            <tr key={l.row}>
              <td className="italic">{name(unknowns[l.row])}</td>
              <td className="wrap">
                = ({formatNumber(l.right)}
                {l.terms.map((t) => (
                  <span key={t.column}>
                    {' '}
                    {t.coefficient < 0 ? '+' : '−'} {formatNumber(Math.abs(t.coefficient))}·(
                    {formatNumber(t.value)})
                  </span>
                ))}
                ) / {formatNumber(l.pivot)}
              </td>
              <td className="n strong">{formatNumber(l.value)}</td>
              <td className="ro">{unknowns[l.row].component === 'rotation' ? 'rad' : units.length}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
