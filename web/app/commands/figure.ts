import type { Part } from '@viga/drawing/caption'
import type { DiagramKey } from '@viga/drawing/diagrams'
import type { Layers } from '@viga/drawing/scene'
import type { FigureKey } from '../sheet/figure-keys'
import type { SheetStore } from '../sheet/store'
import type { Command, CommandGroup } from './command'

/** What commands of the Figure work on. */
export interface FigureContext {
  store: SheetStore
  part: Part
  figureKey: FigureKey
  drawing: boolean
  setDrawing: (on: boolean) => void
  /** Shows the whole structure, as large as it goes. */
  refit: () => void
}

const shown = ({ store, figureKey }: FigureContext): Layers => store.getState().shown[figureKey]
const show = ({ store, figureKey }: FigureContext, change: Partial<Layers>) =>
  store.getState().show(figureKey, change)
const isTruss = ({ store }: FigureContext) => store.getState().problem.kind === 'truss'

/** Layers that are there or not. */
export type Switch =
  'loads' | 'dimensions' | 'supports' | 'names' | 'unknowns' | 'reactions' | 'zeros' | 'envelope' | 'plain'
export const LAYERS: readonly { key: Switch; label: string; press: string }[] = [
  { key: 'loads', label: 'Loads', press: 'l' },
  { key: 'dimensions', label: 'Dimensions', press: 'd' },
  { key: 'supports', label: 'Supports', press: 's' },
  { key: 'names', label: 'Names', press: 'b' },
  { key: 'unknowns', label: 'Unknowns', press: 'u' },
  { key: 'reactions', label: 'Reactions', press: 'r' },
]

export const toggleLayer = (c: FigureContext, key: Switch) => {
  const on = !shown(c)[key]
  // reactions of one case beside the envelope of many would belong to neither
  show(c, { [key]: on, ...(key === 'envelope' && { reactions: !on }) })
}

export const DIAGRAM_NAMES: Record<DiagramKey, string> = { N: 'Axial force', V: 'Shear', M: 'Bending moment' }

/** What the list of keys says of them. */
const DIAGRAM_LAYER_NAMES: Partial<Record<Switch, string>> = {
  zeros: 'Points of zero moment or shear',
  envelope: 'Envelope of cases and combinations',
  plain: 'Equal line widths for the members of a truss',
}

/** What belongs to diagrams, offered beside them. */
export const DIAGRAM_LAYERS: readonly { key: Switch; label: string; press: string; truss: boolean }[] = [
  { key: 'zeros', label: 'Zeros', press: 'z', truss: false },
  { key: 'envelope', label: 'Envelope', press: 'e', truss: false },
  { key: 'plain', label: 'Equal line widths', press: 't', truss: true },
]

/** A diagram and the deflected shape give way to each other. */
export const toggleDiagram = (c: FigureContext, key: DiagramKey) =>
  show(c, { diagram: shown(c).diagram === key && !shown(c).all ? null : key, deflected: false, all: false })

/** N, V and M together, with the loads that make them; or the one diagram that was there before. */
export const toggleAll = (c: FigureContext) =>
  show(c, {
    all: !shown(c).all,
    diagram: shown(c).diagram ?? 'M',
    deflected: false,
    envelope: false,
    ...(!shown(c).all && { loads: true }),
  })

export const toggleDeflected = (c: FigureContext) =>
  show(c, { deflected: !shown(c).deflected, diagram: null, all: false })

const diagram = (key: DiagramKey): Command<FigureContext> => ({
  key: key.toLowerCase(),
  name: DIAGRAM_NAMES[key],
  when: (c) => key === 'N' || !isTruss(c),
  run: (c) => toggleDiagram(c, key),
})

export const FIGURE_COMMANDS: readonly CommandGroup<FigureContext>[] = [
  {
    title: 'The Figure',
    commands: [
      {
        key: 'a',
        name: 'Draw joints and members',
        when: ({ part }) => part === 'given',
        run: ({ drawing, setDrawing }) => setDrawing(!drawing),
      },
      ...LAYERS.map((l): Command<FigureContext> => ({
        key: l.press,
        name: l.label,
        run: (c) => toggleLayer(c, l.key),
      })),
      diagram('N'),
      diagram('V'),
      diagram('M'),
      { key: 'k', name: 'N, V and M together', when: (c) => !isTruss(c), run: toggleAll },
      ...DIAGRAM_LAYERS.map((l): Command<FigureContext> => ({
        key: l.press,
        name: DIAGRAM_LAYER_NAMES[l.key] ?? l.label,
        when: (c) => isTruss(c) === l.truss && (l.key !== 'envelope' || c.part === 'results'),
        run: (c) => toggleLayer(c, l.key),
      })),
      { key: 'y', name: 'Deflected shape', run: toggleDeflected },
      { key: 'f', name: 'Fit the whole structure', run: ({ refit }) => refit() },
    ],
  },
]
