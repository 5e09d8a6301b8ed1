import { withUnit, type Display, type working } from '@viga/core'
import { boundsOf } from './bounds'
import type { SmallFigure } from './body-figure'
import { place, type LabelRequest, type Obstacle } from './label-placement'
import { arrow, line, plus, textWidth, times, unit, vec, type Group, type Ink, type Vec } from './marks'
import { niceBelow } from './nice'

const INKS: Record<working.PolygonBlock['forces'][number]['of'], Ink> = {
  load: 'load',
  reaction: 'reaction',
  cut: 'cedar-deep',
}
/** The polygon fills a square of this side, px. */
const SIDE = 210

/** Forces in balance head to tail, to a scale that stands below them. */
export function polygonFigure(block: working.PolygonBlock, display: Display): SmallFigure {
  const corners: Vec[] = [vec(0, 0)]
  for (const f of block.forces) corners.push(plus(corners[corners.length - 1], vec(f.x, -f.y)))
  const xs = corners.map((p) => p.x)
  const ys = corners.map((p) => p.y)
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const largest = Math.max(Math.max(...xs) - left, Math.max(...ys) - top)
  const scale = SIDE / largest
  const at = (p: Vec) => vec((p.x - left) * scale, (p.y - top) * scale)
  const groups: Group[] = []
  const requests: LabelRequest[] = []
  const obstacles: Obstacle[] = []
  block.forces.forEach((f, i) => {
    const [a, b] = [at(corners[i]), at(corners[i + 1])]
    const dir = unit(plus(b, a, -1))
    const side = vec(-dir.y, dir.x)
    const text = `${f.name} ${withUnit(Math.hypot(f.x, f.y), display.force)}`
    const w = textWidth(text, 12.5) / 2
    groups.push({ key: `side${i}`, marks: arrow(a, b, INKS[f.of]) })
    obstacles.push({ a, b, half: 3 })
    const mid = times(plus(a, b), 0.5)
    requests.push({
      key: `word${i}`,
      mark: { t: 'text', text, size: 12.5, weight: 600, fill: INKS[f.of], halo: true },
      candidates: [1, -1].flatMap((k) =>
        [0, 14, -14].map((t) => plus(plus(mid, dir, t), side, k * (10 + w * Math.abs(side.x)))),
      ),
      clear: 2,
    })
  })
  const y = (Math.max(...ys) - top) * scale + 40
  const unitOf = niceBelow(0.4 * largest * display.force.perSI)
  const long = (unitOf / display.force.perSI) * scale
  const end = vec(long, y)
  groups.push({
    key: 'scale',
    marks: [
      line(vec(0, y), end, 'ink-2', 1.2),
      ...[0, long].map((x) => line(vec(x, y - 4), vec(x, y + 4), 'ink-2', 1.2)),
    ],
  })
  const text = withUnit(unitOf / display.force.perSI, display.force)
  requests.push({
    key: 'scale',
    mark: { t: 'text', text, size: 12, fill: 'ink-2' },
    candidates: [vec(long + 12 + textWidth(text, 12) / 2, y)],
  })
  const labels = place(requests, obstacles)
  return { groups, labels, bounds: boundsOf(groups, labels)! }
}
