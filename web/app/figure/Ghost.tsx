import { formatPlain, type Display } from '@viga/core'
import type { GhostState } from './hand'
import type { Grid } from '@viga/core/statement/grid'
import { inPlane, onScreen, type View } from '@viga/drawing/view'

/** The joint and member the next click would make, with their coordinates and length. */
export function Ghost({ view, state, display }: { view: View; state: GhostState; display: Display }) {
  const { point, from } = state
  if (!point) return null
  const a = from && inPlane(view, from)
  const b = inPlane(view, point)
  const length = a && Math.hypot(b.x - a.x, b.y - a.y) * display.length.perSI
  const words =
    state.refusal ??
    `${formatPlain(b.x * display.length.perSI, 5)}, ${formatPlain(b.y * display.length.perSI, 5)} ` +
      `${display.length.unit}`
  return (
    <g pointerEvents="none">
      {from && (
        <line
          x1={from.x}
          y1={from.y}
          x2={point.x}
          y2={point.y}
          stroke="var(--cedar)"
          strokeWidth="1.6"
          strokeDasharray="5 4"
        />
      )}
      <circle
        cx={point.x}
        cy={point.y}
        r={state.joint ? 9 : 4.5}
        stroke="var(--cedar)"
        strokeWidth="1.4"
        fill={state.joint ? 'none' : 'var(--sheet)'}
      />
      <text className="ghost-words" x={point.x + 14} y={point.y - 12}>
        {words}
      </text>
      {length !== null && length > 0 && from && (
        <text className="ghost-words" x={(from.x + point.x) / 2 + 8} y={(from.y + point.y) / 2 - 8}>
          {formatPlain(length, 4)} {display.length.unit}
        </text>
      )}
    </g>
  )
}

/** The lines of the person's own grid, with their distances; in the problem's length unit times `si`. */
export function GridLines({ view, grid, si }: { view: View; grid: Grid; si: number }) {
  const ends = (lines: readonly number[], other: readonly number[]) =>
    lines.length ? [Math.min(...(other.length ? other : [0])), Math.max(...(other.length ? other : [0]))] : []
  const [y0, y1] = ends(grid.xs, grid.ys)
  const [x0, x1] = ends(grid.ys, grid.xs)
  const over = 26
  return (
    <g className="grid-lines" pointerEvents="none">
      {grid.xs.map((x) => {
        const [a, b] = [onScreen(view, x * si, y0 * si), onScreen(view, x * si, y1 * si)]
        return <line key={`x${x}`} x1={a.x} x2={b.x} y1={a.y + over} y2={b.y - over} />
      })}
      {grid.ys.map((y) => {
        const [a, b] = [onScreen(view, x0 * si, y * si), onScreen(view, x1 * si, y * si)]
        return <line key={`y${y}`} x1={a.x - over} x2={b.x + over} y1={a.y} y2={b.y} />
      })}
    </g>
  )
}

/** Faint crossings of the grid that the pointer snaps to; `step` in m. */
export function GridDots({ view, step }: { view: View; step: number }) {
  const px = step * view.scale
  if (px < 7) return null
  const origin = onScreen(view, 0, 0)
  const phase = (v: number) => ((v % px) + px) % px
  return (
    <>
      <defs>
        <pattern
          id="grid-dots"
          width={px}
          height={px}
          patternUnits="userSpaceOnUse"
          x={phase(origin.x) - px / 2}
          y={phase(origin.y) - px / 2}
        >
          <circle cx={px / 2} cy={px / 2} r="0.9" fill="var(--hair-2)" />
        </pattern>
      </defs>
      <rect width={view.width} height={view.height} fill="url(#grid-dots)" />
    </>
  )
}
