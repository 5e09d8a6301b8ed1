import {
  courseOf,
  coursesOf,
  formatPlain,
  keptPlaces,
  readPlace,
  signsOf,
  sidesAt,
  type StructureMember,
  readAt,
  readEnvelope,
} from '@viga/core'
import { largest, type DiagramKey } from '@viga/drawing/diagrams'
import { sideOf } from '@viga/drawing/diagram-side'
import { plus } from '@viga/drawing/marks'
import { memberLine, roominess, type View } from '@viga/drawing/view'
import { useMemo } from 'react'
import { useDisplay, useSheet, useSolved } from '../sheet/context'
import type { Probe } from '../sheet/results-view'

/** The room of the words beside a probe, px. */
const [WIDE, ROW] = [128, 17]

/** The places that are read on the Figure: the one under the pointer, and those that are kept. */
export function ProbeMark({
  view,
  diagram,
  envelope,
}: {
  view: View
  diagram: DiagramKey | null
  /** The quantity of the envelope that is drawn: its extremes at the place are read, with their cases. */
  envelope: DiagramKey | null
}) {
  const probe = useSheet((s) => s.probe)
  const kept = useKept()
  return (
    <g pointerEvents="none">
      {kept.map((k) => (
        <Mark key={`${k.member} ${k.x}`} view={view} at={k} diagram={diagram} kept />
      ))}
      {probe && <Mark view={view} at={probe} diagram={diagram} envelope={envelope} />}
    </g>
  )
}

/** The kept places as m from the start of their members; one that cannot be read is passed over. */
function useKept(): Probe[] {
  const problem = useSheet((s) => s.problem)
  const solved = useSolved()
  return useMemo(
    () =>
      keptPlaces(problem).flatMap(({ member, at }) => {
        const m = solved?.solution.structure.members.find((o) => o.id === member)
        const read = m && readPlace(problem, m.length, String(at))
        return read?.ok ? [{ member, x: read.x }] : []
      }),
    [problem, solved],
  )
}

interface MarkProps {
  view: View
  at: Probe
  diagram: DiagramKey | null
  envelope?: DiagramKey | null
  kept?: boolean
}

/** A cross line on the member with its distance from the start, and what is read there. */
function Mark({ view, at, diagram, envelope = null, kept = false }: MarkProps) {
  const enveloped = useSheet((s) => s.enveloped)
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  const diagramSize = useSheet((s) => s.diagramSize)
  const solved = useSolved()
  const index = solved?.solution.structure.members.findIndex((m) => m.id === at.member) ?? -1
  if (!solved || index < 0) return null
  const { solution, action } = solved
  const s = solution.structure
  const m = s.members[index]
  const x = Math.min(at.x, m.length)
  const l = memberLine(s, view, m)
  const foot = plus(l.a, l.dir, x * view.scale)
  const tip = diagram && tipOf(diagram)
  const values = envelope
    ? readEnvelope(problem, solution, enveloped, index, x, envelope, display)
    : readAt(problem, solution, action, index, x, display)
  const shown = kept
    ? values.filter((v) => v.key === (diagram ?? 'M') || s.kind === 'truss').slice(0, 1)
    : values
  const place = `${formatPlain(x * display.length.perSI, 4)} ${display.length.unit}`
  return (
    <g className={kept ? 'probe kept' : 'probe'}>
      <path
        d={
          `M${plus(foot, l.up, 7).x} ${plus(foot, l.up, 7).y}L${plus(foot, l.up, -7).x} ` +
          `${plus(foot, l.up, -7).y}`
        }
      />
      {tip && <path d={`M${foot.x} ${foot.y}L${tip.x} ${tip.y}`} />}
      {tip && <circle cx={tip.x} cy={tip.y} r="3.4" />}
      <Words m={m} foot={foot} l={l} view={view} place={place} values={shown} kept={kept} />
    </g>
  )

  /** The point of the diagram at this place. */
  function tipOf(key: DiagramKey) {
    const courses = coursesOf(solution, action)
    const max = largest(courses, key)
    if (max === 0 || s.kind === 'truss') return null
    const { left, right } = sidesAt(courseOf(solution, action, index), x)
    const value = Math.abs(left[key]) > Math.abs(right[key]) ? left[key] : right[key]
    const tall = Math.max(20, 64 * roominess(s, view)) * diagramSize
    return plus(foot, l.up, (sideOf(key, signsOf(problem)) * value * tall) / max)
  }
}

interface WordsProps {
  m: StructureMember
  foot: { x: number; y: number }
  l: ReturnType<typeof memberLine>
  view: View
  place: string
  values: ReturnType<typeof readAt>
  kept: boolean
}

/** The values in a small table on the side where there is room for it. */
function Words({ m, foot, l, view, place, values, kept }: WordsProps) {
  const tall = ROW * (values.length + 1) + 10
  const beside = plus(foot, l.up, Math.abs(l.up.x) > 0.7 ? 20 : 0)
  const x = beside.x + 18 + WIDE > view.width ? beside.x - WIDE - 18 : beside.x + 18
  const y = Math.min(Math.max(8, foot.y - tall - 12), view.height - tall - 8)
  if (kept) {
    const [value] = values
    return (
      <text x={x} y={foot.y - 12}>
        <tspan fontStyle="italic">{value.key}</tspan> = {value.text}{' '}
        <tspan className="aside">at {place}</tspan>
      </text>
    )
  }
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect width={WIDE} height={tall} />
      <text x="9" y={ROW}>
        <tspan fontStyle="italic" fontWeight="600">
          {m.id}
        </tspan>{' '}
        <tspan className="aside">at {place}</tspan>
      </text>
      {values.map((v, i) => (
        <text key={v.key} y={ROW * (i + 2)}>
          <tspan x="9" className={v.key.length > 1 ? 'aside' : 'letter'}>
            {v.key === 'deflection' ? 'defl.' : v.key}
          </tspan>
          <tspan x={WIDE - 9} textAnchor="end">
            {v.text}
            {v.key === 'N' && v.pull !== 0 ? (v.pull > 0 ? ' T' : ' C') : ''}
            <tspan className="aside"> {v.unit}</tspan>
          </tspan>
        </text>
      ))}
    </g>
  )
}
