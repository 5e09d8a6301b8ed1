import { formatPlain, readThing, thing } from '@viga/core'
import { plus, type Vec } from '@viga/drawing/marks'
import { memberLine, onScreen, type Line } from '@viga/drawing/view'
import type { FigurePanel } from '../figure/Figure'
import { Floating, pointsOf, useEscape } from '../figure/Floating'
import { OfThing } from '../fields/of-thing'
import { useDisplay } from '../sheet/context'
import { JointEditor } from './JointEditor'
import { LoadEditor } from './LoadEditor'
import { MemberEditor } from './MemberEditor'

/** The form of the selected thing, beside it on the Figure and never over it. Escape closes it. */
export function SelectedEditor({
  selection,
  structure: s,
  view,
  onClose,
}: FigurePanel & { selection: string }) {
  const display = useDisplay()
  const it = readThing(selection)
  const length = (v: number) => formatPlain(v * display.length.perSI, 5)

  useEscape(onClose)

  if (it?.kind === 'node' || it?.kind === 'support') {
    const { id } = it
    const n = s.nodes.find((o) => o.id === id)
    if (!n) return null
    return (
      <Floating
        rest={pointsOf(s, view)}
        at={[onScreen(view, n.x, n.y)]}
        view={view}
        title={id}
        note={`${length(n.x)}, ${length(n.y)} ${display.length.unit}`}
        onClose={onClose}
      >
        <OfThing thing={it.kind === 'node' ? thing.node(id) : thing.support(id)}>
          <JointEditor id={id} />
        </OfThing>
      </Floating>
    )
  }
  if (it?.kind === 'member') {
    const { id } = it
    const m = s.members.find((o) => o.id === id)
    if (!m) return null
    const ends = [m.start, m.end].map((i) => onScreen(view, s.nodes[i].x, s.nodes[i].y))
    return (
      <Floating
        rest={pointsOf(s, view)}
        at={ends}
        view={view}
        title={id}
        note={
          `${length(m.length)} ${display.length.unit}, from ${s.nodes[m.start].id} to ` +
          `${s.nodes[m.end].id}`
        }
        onClose={onClose}
      >
        <OfThing thing={thing.member(id)}>
          <MemberEditor id={id} />
        </OfThing>
      </Floating>
    )
  }
  if (it?.kind === 'load') {
    const { caseId, index } = it
    const load = s.cases.find((c) => c.id === caseId)?.loads[index]
    if (!load) return null
    const at =
      load.type === 'nodal'
        ? [onScreen(view, s.nodes[load.node].x, s.nodes[load.node].y)]
        : bandOf(memberLine(s, view, s.members[load.member]))
    return (
      <Floating
        rest={pointsOf(s, view)}
        at={at}
        view={view}
        title={load.type === 'nodal' ? s.nodes[load.node].id : s.members[load.member].id}
        note="load"
        onClose={onClose}
      >
        <OfThing thing={thing.load(caseId, index)}>
          <LoadEditor caseId={caseId} index={index} />
        </OfThing>
      </Floating>
    )
  }
  return null
}

/** Points along a member and beside it, where its load is drawn. */
function bandOf(l: Line): Vec[] {
  return Array.from({ length: 9 }, (_, i) => plus(l.a, l.dir, (i / 8) * l.px)).flatMap((p) => [
    p,
    plus(p, l.up, 55),
  ])
}
