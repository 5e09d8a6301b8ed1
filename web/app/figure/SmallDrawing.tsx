import type { SmallFigure } from '@viga/drawing/body-figure'
import { SceneView } from './SceneView'
import './small-drawing.css'

const NOTHING_LIT: ReadonlySet<string> = new Set()

/** A drawing of its own within a page, with what it shows below it. */
export function SmallDrawing({ figure, caption }: { figure: SmallFigure; caption: string }) {
  const { x, y, width, height } = figure.bounds
  return (
    <figure className="small-drawing">
      <svg
        viewBox={`${x} ${y} ${width} ${height}`}
        style={{ width, maxWidth: '100%' }}
        role="img"
        aria-label={caption}
      >
        <SceneView groups={figure.groups} labels={figure.labels} lit={NOTHING_LIT} />
      </svg>
      <figcaption>{caption}</figcaption>
    </figure>
  )
}
