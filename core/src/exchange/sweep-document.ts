import * as D from '../quantity/dimension.js'
import { coherentUnitName, siPerCoherent } from '../quantity/units.js'
import type { Problem } from '../document/types.js'
import type { SweepResult } from '../sweep/sweep.js'

/** One column of a sweep as it is written out, in coherent units. */
interface Column {
  head: string
  values: (number | null)[]
}

const WORDS = { 1: 'first order', 2: 'second order' } as const

/** What varies and what was read, column by column; both orders side by side where there are two. */
function columnsOf(p: Problem, name: string, r: SweepResult): Column[] {
  const per = (d: D.Dimension | undefined) => (d === undefined ? 1 : siPerCoherent(p.units, d))
  const unit = (d: D.Dimension | undefined) => {
    const text = d === undefined ? '' : coherentUnitName(p.units, d)
    return text === '' ? '' : ` [${text}]`
  }
  const orders = ([1, 2] as const).filter((o) => r.steps.some((s) => s.values[o]))
  const both = orders.length > 1
  return [
    { head: name + unit(r.dimension), values: r.steps.map((s) => s.value / per(r.dimension)) },
    ...r.reads.flatMap(({ text, dimension }, i) =>
      orders.map((o): Column => ({
        head: `${text}${both ? `, ${WORDS[o]}` : ''}${unit(dimension)}`,
        values: r.steps.map((s) => {
          const v = s.values[o]?.[i]
          return v === undefined || v === null ? null : v / per(dimension)
        }),
      })),
    ),
  ]
}

const cell = (text: string) => (/[",\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text)

/**
 * A sweep as CSV: a line a step, empty where there is no value, the reason in the last column where there is
 * one.
 */
export function sweepCsv(p: Problem, name: string, r: SweepResult): string {
  const columns = columnsOf(p, name, r)
  const reasons = r.steps.some((s) => s.reason !== undefined)
  const head = [...columns.map((c) => cell(c.head)), ...(reasons ? ['reason'] : [])].join(',')
  const lines = r.steps.map((s, i) =>
    [...columns.map((c) => c.values[i] ?? ''), ...(reasons ? [cell(s.reason ?? '')] : [])].join(','),
  )
  return [head, ...lines, ''].join('\n')
}

/** A sweep as a document, in coherent units. */
export function sweepDocument(p: Problem, name: string, r: SweepResult) {
  const per = (d: D.Dimension | undefined) => (d === undefined ? 1 : siPerCoherent(p.units, d))
  const orders = ([1, 2] as const).filter((o) => r.steps.some((s) => s.values[o]))
  return {
    format: 'viga-sweep',
    version: 1,
    units: { length: p.units.length, force: p.units.force },
    vary: name,
    case: r.action,
    steps: r.steps.map((s) => ({
      value: s.value / per(r.dimension),
      read: Object.fromEntries(
        r.reads.map(({ text, dimension }, i) => [
          text,
          Object.fromEntries(
            orders.map((o) => {
              const v = s.values[o]?.[i]
              return [`order${o}`, v === undefined || v === null ? null : v / per(dimension)]
            }),
          ),
        ]),
      ),
      ...(s.reason === undefined ? {} : { reason: s.reason }),
    })),
  }
}
