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
export function SelectedEditor({ selection, ...panel }: FigurePanel & { selection: string }) {
  const it = readThing(selection)
  useEscape(panel.onClose)
  if (it?.kind === 'node' || it?.kind === 'support')
    return (
      <OfJoint {...panel} id={it.id} as={it.kind === 'node' ? thing.node(it.id) : thing.support(it.id)} />
    )
  if (it?.kind === 'member') return <OfMember {...panel} id={it.id} />
  if (it?.kind === 'load') return <OfLoad {...panel} caseId={it.caseId} index={it.index} />
  return null
}

function OfJoint({ structure: s, view, onClose, id, as }: FigurePanel & { id: string; as: string }) {
  const { length } = useDisplay()
  const n = s.nodes.find((o) => o.id === id)
  if (!n) return null
  const [x, y] = [n.x, n.y].map((v) => formatPlain(v * length.perSI, 5))
  return (
    <Floating
      rest={pointsOf(s, view)}
      at={[onScreen(view, n.x, n.y)]}
      view={view}
      title={id}
      note={`${x}, ${y} ${length.unit}`}
      onClose={onClose}
    >
      <OfThing thing={as}>
        <JointEditor id={id} />
      </OfThing>
    </Floating>
  )
}

function OfMember({ structure: s, view, onClose, id }: FigurePanel & { id: string }) {
  const { length } = useDisplay()
  const m = s.members.find((o) => o.id === id)
  if (!m) return null
  const [start, end] = [s.nodes[m.start], s.nodes[m.end]]
  return (
    <Floating
      rest={pointsOf(s, view)}
      at={[start, end].map((n) => onScreen(view, n.x, n.y))}
      view={view}
      title={id}
      note={`${formatPlain(m.length * length.perSI, 5)} ${length.unit}, from ${start.id} to ${end.id}`}
      onClose={onClose}
    >
      <OfThing thing={thing.member(id)}>
        <MemberEditor id={id} />
      </OfThing>
    </Floating>
  )
}

interface LoadPanel extends FigurePanel {
  caseId: string
  index: number
}

function OfLoad({ structure: s, view, onClose, caseId, index }: LoadPanel) {
  const load = s.cases.find((c) => c.id === caseId)?.loads[index]
  if (!load) return null
  const on = load.type === 'nodal' ? s.nodes[load.node] : s.members[load.member]
  const at =
    load.type === 'nodal'
      ? [onScreen(view, s.nodes[load.node].x, s.nodes[load.node].y)]
      : bandOf(memberLine(s, view, s.members[load.member]))
  return (
    <Floating rest={pointsOf(s, view)} at={at} view={view} title={on.id} note="load" onClose={onClose}>
      <OfThing thing={thing.load(caseId, index)}>
        <LoadEditor caseId={caseId} index={index} />
      </OfThing>
    </Floating>
  )
}

/** Points along a member and beside it, where its load is drawn. */
function bandOf(l: Line): Vec[] {
  return Array.from({ length: 9 }, (_, i) => plus(l.a, l.dir, (i / 8) * l.px)).flatMap((p) => [
    p,
    plus(p, l.up, 55),
  ])
}
