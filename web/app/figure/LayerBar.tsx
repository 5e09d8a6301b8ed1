import { memo } from 'react'
import {
  DIAGRAM_NAMES,
  FIGURE_COMMANDS,
  LAYERS,
  toggleDeflected,
  toggleDiagram,
  toggleLayer,
  type FigureContext,
  type Switch,
} from '../commands/figure'
import { Press } from '../widgets/Press'
import { useCommands } from '../commands/use-commands'
import { useSheet, useSheetStore } from '../sheet/context'
import type { Plate } from '../sheet/plates'
import type { Part } from '@viga/drawing/caption'
import { niceBelow } from '@viga/drawing/nice'

/** Layers offered by name in each part; the keys work everywhere. */
const OFFERED: Record<Part, Switch[]> = {
  given: ['loads', 'dimensions', 'supports', 'names'],
  working: ['loads', 'supports', 'names', 'unknowns', 'reactions'],
  results: ['loads', 'dimensions', 'supports', 'names', 'reactions'],
  check: ['loads', 'supports', 'names', 'reactions'],
}
const DIAGRAMS = ['N', 'V', 'M'] as const

interface Props {
  part: Part
  plate: Plate
  drawing: boolean
  setDrawing: (on: boolean) => void
  refit: () => void
  truss: boolean
  enlarged: number
}

/** What the Figure shows, each layer one keystroke away. */
export const LayerBar = memo(function LayerBar({
  part,
  plate,
  drawing,
  setDrawing,
  refit,
  truss,
  enlarged,
}: Props) {
  const store = useSheetStore()
  const shown = useSheet((s) => s.shown[plate])
  const context: FigureContext = { store, part, plate, drawing, setDrawing, refit }
  useCommands(FIGURE_COMMANDS, context)

  return (
    <div className="figure-foot" role="toolbar" aria-label="Layers of the Figure">
      {part === 'given' && (
        <Press aria-pressed={drawing} className="draw" onClick={() => setDrawing(!drawing)}>
          Draw<kbd>a</kbd>
        </Press>
      )}
      {LAYERS.filter((l) => OFFERED[part].includes(l.key)).map((l) => (
        <Press
          key={l.key}
          type="button"
          aria-pressed={shown[l.key]}
          onClick={() => toggleLayer(context, l.key)}
        >
          {l.label}
          <kbd>{l.press}</kbd>
        </Press>
      ))}
      <span className="gap" />
      {shown.deflected && (
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
      )}
      {DIAGRAMS.filter((k) => !truss || k === 'N').map((k) => (
        <Press
          key={k}
          type="button"
          className="letter"
          aria-pressed={shown.diagram === k}
          aria-label={DIAGRAM_NAMES[k]}
          onClick={() => toggleDiagram(context, k)}
        >
          {k}
        </Press>
      ))}
      <Press aria-pressed={shown.deflected} onClick={() => toggleDeflected(context)}>
        Deflected<kbd>y</kbd>
      </Press>
      <Press onClick={refit} title="The whole structure, as large as it goes">
        Fit<kbd>f</kbd>
      </Press>
    </div>
  )
})
