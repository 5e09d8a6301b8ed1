import type { Group } from '@viga/drawing/marks'
import { SceneView } from './SceneView'

const nothing: ReadonlySet<string> = new Set()

/**
 * A small drawing: the figure on a card of the Shelf, a member by itself. Without a label it is decoration.
 */
export function MiniFigure({
  groups,
  width,
  height,
  label,
}: {
  groups: readonly Group[]
  width: number
  height: number
  label?: string
}) {
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
    >
      <SceneView groups={groups} labels={[]} lit={nothing} />
    </svg>
  )
}
