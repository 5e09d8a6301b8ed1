import {
  displacementAt,
  displayOf,
  courseOf,
  reactionAt,
  stations,
  type ActionSolution,
  type Problem,
  type Solution,
} from '@viga/core'

/** The numbers as tab-separated cells for a spreadsheet, full precision, units in the heads. */
export function asCells(problem: Problem, solution: Solution, action: ActionSolution): string {
  const d = displayOf(problem)
  const { structure: s } = solution
  const rows: (string | number)[][] = [
    [`${problem.title}: ${action.title}`],
    [],
    ['Reactions', `x ${d.force.unit}`, `y ${d.force.unit}`, `moment ${d.moment.unit}`],
  ]
  for (const p of s.supports) {
    const r = reactionAt(solution, action, p.node)
    rows.push([s.nodes[p.node].id, r.x * d.force.perSI, r.y * d.force.perSI, r.rotation * d.moment.perSI])
  }
  rows.push([], ['Displacements', `x ${d.displacement.unit}`, `y ${d.displacement.unit}`, 'rotation rad'])
  s.nodes.forEach((n, i) => {
    const v = displacementAt(solution, action, i)
    rows.push([
      n.id,
      v.x === null ? '' : v.x * d.displacement.perSI,
      v.y === null ? '' : v.y * d.displacement.perSI,
      v.rotation ?? '',
    ])
  })
  rows.push(
    [],
    [
      'Member',
      `x ${d.length.unit}`,
      `N ${d.force.unit}`,
      `V ${d.force.unit}`,
      `M ${d.moment.unit}`,
      `deflection ${d.displacement.unit}`,
    ],
  )
  s.members.forEach((m, i) => {
    for (const t of stations(courseOf(solution, action, i), 5))
      rows.push([
        m.id,
        t.x * d.length.perSI,
        t.N * d.force.perSI,
        t.V * d.force.perSI,
        t.M * d.moment.perSI,
        t.relative * d.displacement.perSI,
      ])
  })
  return rows.map((r) => r.join('\t')).join('\n')
}
