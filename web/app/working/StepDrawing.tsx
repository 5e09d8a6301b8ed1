import type { working } from '@viga/core'
import { useMemo, useState } from 'react'
import { bodyFigure } from '@viga/drawing/body-figure'
import { polygonFigure } from '@viga/drawing/polygon-figure'
import { SmallDrawing } from '../figure/SmallDrawing'
import { useWorkingView } from './working-view'

/** A body by itself with the forces on it. */
export function Body({ block }: { block: working.BodyBlock }) {
  const { ledger } = useWorkingView()
  const { display, acting } = ledger.context
  const figure = useMemo(() => bodyFigure(block, acting.factors, display), [block, acting, display])
  return <SmallDrawing figure={figure} caption={block.caption} />
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
  return <SmallDrawing figure={figure} caption={block.caption} />
}
