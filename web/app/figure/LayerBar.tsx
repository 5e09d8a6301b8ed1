import { useEffect } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import type { Plate } from '../sheet/plates'
import type { Part } from '@viga/drawing/caption'
import type { Layers } from '@viga/drawing/scene'
import { niceBelow } from '@viga/drawing/scene'

const LAYERS: { key: keyof Layers; label: string; press: string }[] = [
  { key: 'loads', label: 'Loads', press: 'l' },
  { key: 'dimensions', label: 'Dimensions', press: 'd' },
  { key: 'supports', label: 'Supports', press: 's' },
  { key: 'names', label: 'Names', press: 'b' },
  { key: 'unknowns', label: 'Unknowns', press: 'u' },
  { key: 'reactions', label: 'Reactions', press: 'r' },
]
/** Layers offered by name in each part; the keys work everywhere. */
const OFFERED: Record<Part, (keyof Layers)[]> = {
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
export function LayerBar({ part, plate, drawing, setDrawing, refit, truss, enlarged }: Props) {
  const store = useSheetStore()
  const shown = useSheet((s) => s.shown[plate])
  const show = (change: Partial<Layers>) => store.getState().show(plate, change)
  const diagram = (key: 'N' | 'V' | 'M') =>
    show({ diagram: shown.diagram === key ? null : key, deflected: false })
  const deflect = () => show({ deflected: !shown.deflected, diagram: null })

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        (e.target as HTMLElement).closest('input, textarea, select, [role="menu"]') ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey
      )
        return
      const key = e.key.toLowerCase()
      const layer = LAYERS.find((l) => l.press === key)
      if (layer) show({ [layer.key]: !shown[layer.key] })
      else if (key === 'n' || (!truss && (key === 'v' || key === 'm'))) diagram(key.toUpperCase() as 'N')
      else if (key === 'y') deflect()
      else if (key === 'f') refit()
      else if (key === 'a' && part === 'given') setDrawing(!drawing)
      else return
      e.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })

  return (
    <div className="figure-foot" role="toolbar" aria-label="Layers of the Figure">
      {part === 'given' && (
        <button type="button" aria-pressed={drawing} className="draw" onClick={() => setDrawing(!drawing)}>
          Draw<kbd>a</kbd>
        </button>
      )}
      {LAYERS.filter((l) => OFFERED[part].includes(l.key)).map((l) => (
        <button
          key={l.key}
          type="button"
          aria-pressed={shown[l.key] as boolean}
          onClick={() => show({ [l.key]: !shown[l.key] })}
        >
          {l.label}
          <kbd>{l.press}</kbd>
        </button>
      ))}
      <span className="gap" />
      {shown.deflected && (
        <span className="enlarge">
          <button
            type="button"
            aria-label="Smaller deflections"
            onClick={() => store.getState().setEnlarge(niceBelow(enlarged / 2.01) || 1)}
          >
            −
          </button>
          <button
            type="button"
            title="Choose the scale by itself"
            onClick={() => store.getState().setEnlarge(0)}
          >
            ×{Math.round(enlarged * 100) / 100}
          </button>
          <button
            type="button"
            aria-label="Larger deflections"
            onClick={() => store.getState().setEnlarge(niceBelow(enlarged * 2.51))}
          >
            +
          </button>
        </span>
      )}
      {DIAGRAMS.filter((k) => !truss || k === 'N').map((k) => (
        <button
          key={k}
          type="button"
          className="letter"
          aria-pressed={shown.diagram === k}
          aria-label={{ N: 'Axial force', V: 'Shear', M: 'Bending moment' }[k]}
          onClick={() => diagram(k)}
        >
          {k}
        </button>
      ))}
      <button type="button" aria-pressed={shown.deflected} onClick={deflect}>
        Deflected<kbd>y</kbd>
      </button>
      <button type="button" onClick={refit} title="The whole structure, as large as it goes">
        Fit<kbd>f</kbd>
      </button>
    </div>
  )
}
