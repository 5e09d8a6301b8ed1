import type { Group } from '@viga/drawing/marks'
import { SceneView } from './SceneView'

const nothing: ReadonlySet<string> = new Set()

/** The little figure on a card of the Shelf. */
export function MiniFigure({
  groups,
  width,
  height,
}: {
  groups: readonly Group[]
  width: number
  height: number
}) {
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <SceneView groups={groups} labels={[]} lit={nothing} />
    </svg>
  )
}
