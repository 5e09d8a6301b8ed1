import { COURSE_KEY, drawnDiagrams, readDrawn, type Problem, type Structure } from '@viga/core'
import type { HandDiagram } from '@viga/drawing/hand-diagram'

/** The diagrams drawn by hand of one case, as far as they can be read. */
export function handDiagrams(p: Problem, s: Structure, caseId: string | null): HandDiagram[] {
  const first = p.loadCases?.[0]?.id
  return drawnDiagrams(p).flatMap((d): HandDiagram[] => {
    const m = s.members.find((o) => o.id === d.member)
    if (!m || (d.case ?? first) !== caseId) return []
    const read = readDrawn(p, d, m.length)
    return read.ok && read.runs.length
      ? [{ member: d.member, key: COURSE_KEY[d.quantity], runs: read.runs }]
      : []
  })
}
