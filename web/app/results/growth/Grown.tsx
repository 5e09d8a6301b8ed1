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

/** The curves and their table; the step that is pointed at is drawn on the Figure. */
export function Grown({ input, result, name }: { input: SweepInput; result: SweepResult; name: string }) {
  const store = useSheetStore()
  const title = useSheet((s) => s.problem.title)
  const { problem } = input
  const states = useMemo(() => stepper(input), [input])
  const point = (index: number | null) => {
    const value = index === null ? undefined : result.steps[index]?.value
    if (value === undefined || 'message' in states) return store.setState({ drawn: null })
    const state = states.at(value)
    const shown = 'solution' in state ? (state.second ?? state.first) : undefined
    store.setState({
      drawn:
        'solution' in state && shown
          ? {
              solution: solutionOf(state, shown),
              action: shown,
              caption: `${wordsOf(problem, name)} at ${valueText(problem, result, value)}, ${shown.bent ? 'second' : 'first'} order.`,
            }
          : null,
    })
  }
  useEffect(() => () => store.setState({ drawn: null }), [store])
  const table = useMemo(() => growthTable(problem, wordsOf(problem, name), result), [problem, name, result])
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
                <tr key={i} onMouseEnter={() => point(i)} onMouseLeave={() => point(null)}>
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
          <Press
            className="textlink"
            onClick={() => download(`${name}.csv`, sweepCsv(problem, name, result))}
          >
            CSV
          </Press>{' '}
          <Press className="textlink" onClick={() => void downloadWorkbook(title, [table])}>
            XLSX
          </Press>
        </p>
      </Block>
    </>
  )
}

const perOf = (p: Problem, { dimension }: SweepResult) => (dimension ? siPerCoherent(p.units, dimension) : 1)

function valueText(p: Problem, r: SweepResult, value: number): string {
  const unit = r.dimension ? coherentUnitName(p.units, r.dimension) : ''
  return `${formatPlain(value / perOf(p, r), 4)} ${unit}`.trim()
}
