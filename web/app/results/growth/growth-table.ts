import { coherentUnitName, siPerCoherent, type Problem, type ResultTable, type SweepResult } from '@viga/core'

/** A sweep as a table of results: the value that grows, then each value that is read, in both orders. */
export function growthTable(problem: Problem, name: string, result: SweepResult): ResultTable {
  const { units } = problem
  const per = result.dimension ? siPerCoherent(units, result.dimension) : 1
  const orders = ([1, 2] as const).filter((o) => result.steps.some((s) => s.values[o]))
  const words = { 1: 'first order', 2: 'second order' }
  return {
    key: 'growth',
    title: 'Load sweep',
    columns: [
      { key: 'value', title: name, unit: result.dimension ? coherentUnitName(units, result.dimension) : '' },
      ...result.reads.flatMap((r) =>
        orders.map((o) => ({
          key: `${r.text} ${o}`,
          title: `${r.text}, ${words[o]}`,
          unit: coherentUnitName(units, r.dimension),
        })),
      ),
    ],
    rows: result.steps.map((s) => ({
      cells: [
        s.value / per,
        ...result.reads.flatMap((r, i) =>
          orders.map((o) => {
            const v = s.values[o]?.[i]
            return v === undefined || v === null ? null : v / siPerCoherent(units, r.dimension)
          }),
        ),
      ],
    })),
  }
}
