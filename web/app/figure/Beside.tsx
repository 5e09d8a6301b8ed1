import { formatPlain, type Structure } from '@viga/core'
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react'
import { useDisplay } from '../sheet/context'
import { JointEditor } from '../given/JointEditor'
import { LoadEditor } from '../given/LoadEditor'
import { MemberEditor } from '../given/MemberEditor'
import { onScreen, type View } from './view'
import { vec, type Vec } from './marks'
import './beside.css'

interface Props {
  selection: string
  structure: Structure
  view: View
  onClose: () => void
}

/** The form of the selected thing, beside it on the Figure and never over it. Escape closes it. */
export function Beside({ selection, structure: s, view, onClose }: Props) {
  const display = useDisplay()
  const [kind, ...rest] = selection.split(':')
  const id = rest.join(':')
  const length = (v: number) => formatPlain(v * display.length.perSI, 5)

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && onClose()
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [onClose])

  if (kind === 'node' || kind === 'support') {
    const n = s.nodes.find((o) => o.id === id)
    if (!n) return null
    return (
      <Floating at={[onScreen(view, n.x, n.y)]} view={view} title={id} note={`${length(n.x)}, ${length(n.y)} ${display.length.unit}`} onClose={onClose}>
        <JointEditor id={id} />
      </Floating>
    )
  }
  if (kind === 'member') {
    const m = s.members.find((o) => o.id === id)
    if (!m) return null
    const ends = [m.start, m.end].map((i) => onScreen(view, s.nodes[i].x, s.nodes[i].y))
    return (
      <Floating at={ends} view={view} title={id} note={`${length(m.length)} ${display.length.unit}, from ${s.nodes[m.start].id} to ${s.nodes[m.end].id}`} onClose={onClose}>
        <MemberEditor id={id} />
      </Floating>
    )
  }
  if (kind === 'load') {
    const cut = id.lastIndexOf(':')
    const [caseId, index] = [id.slice(0, cut), Number(id.slice(cut + 1))]
    const load = s.cases.find((c) => c.id === caseId)?.loads[index]
    if (!load) return null
    const at =
      load.type === 'nodal'
        ? [onScreen(view, s.nodes[load.node].x, s.nodes[load.node].y)]
        : [s.members[load.member].start, s.members[load.member].end].map((i) => onScreen(view, s.nodes[i].x, s.nodes[i].y))
    return (
      <Floating at={at} view={view} title={load.type === 'nodal' ? s.nodes[load.node].id : s.members[load.member].id} note="load" onClose={onClose}>
        <LoadEditor caseId={caseId} index={index} />
      </Floating>
    )
  }
  return null
}

const WIDTH = 288

function Floating({ at, view, title, note, onClose, children }: { at: Vec[]; view: View; title: string; note: string; onClose: () => void; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null)
  const [height, setHeight] = useState(220)
  useLayoutEffect(() => {
    if (box.current) setHeight(box.current.offsetHeight)
  }, [children])
  const place = placeBeside(at, view, WIDTH, height)
  return (
    <div ref={box} className="beside" role="dialog" aria-label={`${title}, ${note}`} style={{ left: place.x, top: place.y, width: WIDTH }}>
      <header>
        <i>{title}</i>
        <span className="quiet">{note}</span>
        <button type="button" className="quiet" aria-label="Close" onClick={onClose}>
          esc
        </button>
      </header>
      {children}
    </div>
  )
}

/** The place, of many round about, that covers the least of the thing and of the middle of the figure and stays in the frame. */
export function placeBeside(at: readonly Vec[], view: { width: number; height: number }, w: number, h: number): Vec {
  const c = vec(at.reduce((t, p) => t + p.x, 0) / at.length, at.reduce((t, p) => t + p.y, 0) / at.length)
  const clampX = (x: number) => Math.max(8, Math.min(view.width - w - 8, x))
  const clampY = (y: number) => Math.max(8, Math.min(view.height - h - 8, y))
  const tries: Vec[] = [vec(c.x + 34, c.y - h / 3), vec(c.x - w - 34, c.y - h / 3), vec(c.x - w / 2, c.y + 58), vec(c.x - w / 2, c.y - h - 58), vec(8, c.y + 30), vec(view.width - w - 8, c.y + 30), vec(8, 8), vec(view.width - w - 8, 8), vec(8, view.height - h - 8), vec(view.width - w - 8, view.height - h - 8)].map((p) => vec(clampX(p.x), clampY(p.y)))
  const points = at.length === 1 ? at : Array.from({ length: 9 }, (_, i) => vec(at[0].x + ((at[1].x - at[0].x) * i) / 8, at[0].y + ((at[1].y - at[0].y) * i) / 8))
  const covers = (p: Vec) => points.filter((q) => q.x > p.x - 24 && q.x < p.x + w + 24 && q.y > p.y - 24 && q.y < p.y + h + 24).length
  return tries.reduce((best, p) => (covers(p) < covers(best) ? p : best))
}
