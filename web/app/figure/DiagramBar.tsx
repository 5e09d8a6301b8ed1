import { lazy, Suspense } from 'react'
import {
  DIAGRAM_LAYERS,
  DIAGRAM_NAMES,
  toggleAll,
  toggleDeflected,
  toggleDiagram,
  toggleLayer,
  type FigureContext,
} from '../commands/figure'
import { useSheet, useSheetStore } from '../sheet/context'
import { niceBelow } from '@viga/drawing/nice'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'

// the slider comes when a deflected shape is first shown
const Slider = lazy(() => import('@mui/material/Slider'))

const DIAGRAMS = ['N', 'V', 'M'] as const

interface Props {
  context: FigureContext
  truss: boolean
  enlarged: number
}

/** The diagram that is drawn, and the deflected shape: one of them, or none. */
export function DiagramChoice({ context, truss, enlarged }: Props) {
  const shown = useSheet((s) => s.shown[context.figureKey])
  return (
    <>
      {shown.deflected && <Enlarge enlarged={enlarged} />}
      {DIAGRAMS.filter((k) => !truss || k === 'N').map((k) => (
        <Toggle
          key={k}
          type="button"
          className="letter"
          on={shown.diagram === k && !shown.all}
          aria-label={DIAGRAM_NAMES[k]}
          onClick={() => toggleDiagram(context, k)}
        >
          {k}
        </Toggle>
      ))}
      <Toggle on={shown.deflected} onClick={() => toggleDeflected(context)}>
        Deflected<kbd>y</kbd>
      </Toggle>
    </>
  )
}

/** The enlargement of the deflected shape in steps, and by itself. */
function Enlarge({ enlarged }: { enlarged: number }) {
  const store = useSheetStore()
  return (
    <span className="enlarge">
      <Press
        aria-label="Smaller deflections"
        onClick={() => store.getState().setEnlarge(niceBelow(enlarged / 2.01) || 1)}
      >
        −
      </Press>
      <Press title="Choose the scale by itself" onClick={() => store.getState().setEnlarge(0)}>
        ×{Math.round(enlarged * 100) / 100}
      </Press>
      <Press
        aria-label="Larger deflections"
        onClick={() => store.getState().setEnlarge(niceBelow(enlarged * 2.51))}
      >
        +
      </Press>
    </span>
  )
}

/** In the Results: every choice of how forces and displacements are drawn, in a line above the Figure. */
export function DiagramBar({ context, truss, enlarged }: Props) {
  const store = useSheetStore()
  const shown = useSheet((s) => s.shown[context.figureKey])
  const size = useSheet((s) => s.diagramSize)
  return (
    <div className="diagram-bar" role="toolbar" aria-label="Diagrams">
      <DiagramChoice context={context} truss={truss} enlarged={enlarged} />
      {!truss && (
        <Toggle on={shown.all ?? false} onClick={() => toggleAll(context)}>
          N V M<kbd>k</kbd>
        </Toggle>
      )}
      {shown.deflected ? (
        <Deflection enlarged={enlarged} />
      ) : (
        DIAGRAM_LAYERS.filter((l) => l.truss === truss).map((l) => (
          <Toggle
            key={l.key}
            on={shown[l.key] ?? false}
            disabled={shown.diagram === null || (shown.all ?? false)}
            onClick={() => toggleLayer(context, l.key)}
          >
            {l.label}
            <kbd>{l.press}</kbd>
          </Toggle>
        ))
      )}
      <span className="gap" />
      {size !== 1 && (
        <Press title="The usual height of diagrams" onClick={() => store.setState({ diagramSize: 1 })}>
          height ×{Math.round(size * 100) / 100}
        </Press>
      )}
    </div>
  )
}

/** The slider goes from true scale to this many times beyond the scale that is chosen by itself. */
const BEYOND = 20

/** The scale of the deflected shape from true scale up, and its swinging. */
function Deflection({ enlarged }: { enlarged: number }) {
  const store = useSheetStore()
  const swinging = useSheet((s) => s.swinging)
  const chosen = useSheet((s) => s.enlarge)
  const most = Math.max(100, (chosen === 0 ? enlarged : Math.max(enlarged, chosen)) * BEYOND)
  return (
    <>
      <Suspense>
        <Slider
          className="deflection-scale"
          aria-label="Scale of the deflected shape"
          min={0}
          max={Math.log10(most)}
          step={0.02}
          value={Math.log10(Math.max(1, enlarged))}
          getAriaValueText={(v) => `${Math.round(10 ** v)} times enlarged`}
          onChange={(_, v) => store.getState().setEnlarge(Number((10 ** Number(v)).toPrecision(2)))}
        />
      </Suspense>
      <Toggle on={swinging} onClick={() => store.setState({ swinging: !swinging })}>
        Move it
      </Toggle>
    </>
  )
}
