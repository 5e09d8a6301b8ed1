import type { Display } from '../../document/display.js'
import { signFactors } from '../../document/signs.js'
import { thing } from '../../document/thing.js'
import { coursesUnder } from '../courses.js'
import { governingOf } from '../envelope.js'
import { findExtremes, type ExtremeKey } from '../extremes.js'
import { cell, numbers, words, type ResultTable, type TableRow, type TableSource } from './table.js'

const NAMES: Record<ExtremeKey, string> = { N: 'N', V: 'V', M: 'M', relative: 'deflection' }

/** The unit in which a quantity along a member is shown. */
export const unitAlong = (display: Display, key: ExtremeKey) =>
  key === 'M' ? display.moment : key === 'relative' ? display.displacement : display.force

/**
 * The exact largest and smallest N, V, M and deflection from the chord of each member, with their places, and
 * the governing case where there are several.
 */
export function extremesTable({ solution, actions, display, signs, envelope }: TableSource): ResultTable {
  const { members, kind } = solution.structure
  const sign = { ...signFactors(signs), relative: 1 as const }
  const keys: ExtremeKey[] = kind === 'truss' ? ['N'] : ['N', 'V', 'M', 'relative']
  const ids = actions.map((a) => a.id)
  const by = (id: string) => (envelope ? [id] : [])
  const caseColumn = (side: string) => (envelope ? [words(`${side} case`, 'case')] : [])
  return {
    key: 'extremes',
    title: 'Extremes',
    columns: [
      words('member', 'Member'),
      words('quantity', 'Quantity'),
      words('unit', 'unit'),
      { key: 'max', title: 'max' },
      numbers('max at', 'at', display.length.unit),
      ...caseColumn('max'),
      { key: 'min', title: 'min' },
      numbers('min at', 'at', display.length.unit),
      ...caseColumn('min'),
    ],
    rows: members.flatMap((m, i) => {
      const courses = coursesUnder(solution, actions, i)
      return (m.bar ? keys.slice(0, 1) : keys).map((key): TableRow => {
        const range = governingOf(
          courses.map((c) => findExtremes(c, key)),
          ids,
        )
        const { perSI, unit } = unitAlong(display, key)
        // under the opposite convention the largest is the former smallest
        const [max, min] = sign[key] > 0 ? [range.max, range.min] : [range.min, range.max]
        const side = (e: typeof max) => [
          cell(e.value * sign[key], perSI),
          cell(e.x, display.length.perSI),
          ...by(e.by),
        ]
        return { target: thing.member(m.id), cells: [m.id, NAMES[key], unit, ...side(max), ...side(min)] }
      })
    }),
  }
}
