import {
  coherentUnitName,
  formatNumber,
  formatPlain,
  siPerCoherent,
  solutionOf,
  stepper,
  sweepCsv,
  type Problem,
  type SweepInput,
  type SweepResult,
} from '@viga/core'
import { useEffect, useMemo } from 'react'
import { useSheet, useSheetStore } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Press } from '../../widgets/Press'
import { download, downloadWorkbook } from '../tables/workbook'
import { GrowthChart } from './GrowthChart'
import { growthTable } from './growth-table'
import { nameOf, wordsOf } from './names'

interface Props {
  input: SweepInput
  result: SweepResult
  /** What grows, as the document names it. */
  name: string
}

/** The curves and their table; the step that is pointed at is drawn on the Figure. */
export function Grown({ input, result, name }: Props) {
  const point = usePointedStep({ input, result, name })
  const { problem } = input
  const stopped = result.steps.find((s) => s.reason !== undefined)
  return (
    <>
      {result.reads.map((r, i) => (
        <GrowthChart
          key={r.text}
          name={nameOf(input.reads[i].place)}
          unit={coherentUnitName(problem.units, r.dimension)}
          per={siPerCoherent(problem.units, r.dimension)}
          along={wordsOf(problem, name)}
          xs={result.steps.map((s) => s.value / perOf(problem, result))}
          first={result.steps.map((s) => s.values[1]?.[i] ?? null)}
          second={result.steps.map((s) => s.values[2]?.[i] ?? null)}
          onPoint={point}
        />
      ))}
      {stopped && (
        <p className="prose">
          From {valueText(problem, result, stopped.value)} on: {stopped.reason}
        </p>
      )}
      <StepTable input={input} result={result} name={name} onPoint={point} />
    </>
  )
}

/** Draws the structure at a step on the Figure; gives the Figure back when none is pointed at. */
function usePointedStep({ input, result, name }: Props) {
  const store = useSheetStore()
  const { problem } = input
  const states = useMemo(() => stepper(input), [input])
  useEffect(() => () => store.setState({ drawn: null }), [store])
  return (index: number | null) => {
    const value = index === null ? undefined : result.steps[index]?.value
    const state = value === undefined || 'message' in states ? undefined : states.at(value)
    const shown = state && 'solution' in state ? (state.second ?? state.first) : undefined
    if (value === undefined || !state || !('solution' in state) || !shown)
      return store.setState({ drawn: null })
    const at = `${wordsOf(problem, name)} at ${valueText(problem, result, value)}`
    store.setState({
      drawn: {
        solution: solutionOf(state, shown),
        action: shown,
        caption: `${at}, ${shown.bent ? 'second' : 'first'} order.`,
      },
    })
  }
}

/** Every step with its values, and the way out of Viga for them. */
function StepTable({ input, result, name, onPoint }: Props & { onPoint: (step: number | null) => void }) {
  const title = useSheet((s) => s.problem.title)
  const { problem } = input
  const table = useMemo(() => growthTable(problem, wordsOf(problem, name), result), [problem, name, result])
  return (
    <Block title="Step by step">
      <div className="growth-table">
        <table className="t">
          <thead>
            <tr>
              {table.columns.map((c) => (
                <th key={c.title} className="n">
                  {c.title}
                  {c.unit ? `, ${c.unit}` : ''}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((r, i) => (
              <tr key={i} onMouseEnter={() => onPoint(i)} onMouseLeave={() => onPoint(null)}>
                {r.cells.map((c, j) => (
                  <td key={j} className="n">
                    {c === null ? '–' : typeof c === 'number' ? formatNumber(c) : c}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="export-line">
        <Press className="textlink" onClick={() => download(`${name}.csv`, sweepCsv(problem, name, result))}>
          CSV
        </Press>{' '}
        <Press className="textlink" onClick={() => void downloadWorkbook(title, [table])}>
          XLSX
        </Press>
      </p>
    </Block>
  )
}

const perOf = (p: Problem, { dimension }: SweepResult) => (dimension ? siPerCoherent(p.units, dimension) : 1)

function valueText(p: Problem, r: SweepResult, value: number): string {
  const unit = r.dimension ? coherentUnitName(p.units, r.dimension) : ''
  return `${formatPlain(value / perOf(p, r), 4)} ${unit}`.trim()
}
