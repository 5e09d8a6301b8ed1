import type { working } from '@viga/core'
import { useMemo, useState } from 'react'
import { bodyFigure, type SmallFigure } from '@viga/drawing/body-figure'
import { polygonFigure } from '@viga/drawing/polygon-figure'
import { SceneView } from '../figure/SceneView'
import { useWorkingView } from './working-view'

const NOTHING_LIT: ReadonlySet<string> = new Set()

const Drawing = ({ figure, caption }: { figure: SmallFigure; caption: string }) => {
  const { x, y, width, height } = figure.bounds
  return (
    <figure className="step-drawing">
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

/** A body by itself with the forces on it. */
export function Body({ block }: { block: working.BodyBlock }) {
  const { ledger } = useWorkingView()
  const { display, acting } = ledger.context
  const figure = useMemo(() => bodyFigure(block, acting.factors, display), [block, acting, display])
  return <Drawing figure={figure} caption={block.caption} />
}

/** A force polygon, drawn when it is asked for. */
export function Polygon({ block }: { block: working.PolygonBlock }) {
  const [open, setOpen] = useState(false)
  return (
    <details className="on-demand" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="link">Force polygon</summary>
      {open && <DrawnPolygon block={block} />}
    </details>
  )
}

function DrawnPolygon({ block }: { block: working.PolygonBlock }) {
  const { display } = useWorkingView().ledger.context
  const figure = useMemo(() => polygonFigure(block, display), [block, display])
  return <Drawing figure={figure} caption={block.caption} />
}
