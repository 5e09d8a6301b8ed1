import { memo } from 'react'
import { FIGURE_COMMANDS, LAYERS, toggleLayer, type FigureContext, type Switch } from '../commands/figure'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { DiagramBar, DiagramChoice } from './DiagramBar'
import { useCommands } from '../commands/use-commands'
import { useSheet, useSheetStore } from '../sheet/context'
import type { FigureKey } from '../sheet/figure-keys'
import type { Part } from '@viga/drawing/caption'

/** Layers offered by name in each part; the keys work everywhere. */
const OFFERED: Record<Part, Switch[]> = {
  given: ['loads', 'dimensions', 'supports', 'names'],
  working: ['loads', 'supports', 'names', 'unknowns', 'reactions'],
  results: ['loads', 'dimensions', 'supports', 'names', 'reactions'],
  check: ['loads', 'supports', 'names', 'reactions'],
}

interface Props {
  part: Part
  figureKey: FigureKey
  drawing: boolean
  setDrawing: (on: boolean) => void
  refit: () => void
  truss: boolean
  enlarged: number
}

/** What the Figure shows, each layer one keystroke away. */
export const LayerBar = memo(function LayerBar({
  part,
  figureKey,
  drawing,
  setDrawing,
  refit,
  truss,
  enlarged,
}: Props) {
  const store = useSheetStore()
  const shown = useSheet((s) => s.shown[figureKey])
  const context: FigureContext = { store, part, figureKey, drawing, setDrawing, refit }
  useCommands(FIGURE_COMMANDS, context)

  return (
    <>
      {part === 'results' && <DiagramBar context={context} truss={truss} enlarged={enlarged} />}
      <div className="figure-foot" role="toolbar" aria-label="Layers of the Figure">
        {part === 'given' && (
          <Toggle on={drawing} className="draw" onClick={() => setDrawing(!drawing)}>
            Draw<kbd>a</kbd>
          </Toggle>
        )}
        {LAYERS.filter((l) => OFFERED[part].includes(l.key)).map((l) => (
          <Toggle key={l.key} type="button" on={shown[l.key]} onClick={() => toggleLayer(context, l.key)}>
            {l.label}
            <kbd>{l.press}</kbd>
          </Toggle>
        ))}
        <span className="gap" />
        {part !== 'results' && <DiagramChoice context={context} truss={truss} enlarged={enlarged} />}
        <Press onClick={refit} title="The whole structure, as large as it goes">
          Fit<kbd>f</kbd>
        </Press>
      </div>
    </>
  )
})
