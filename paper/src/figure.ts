import { displayOf, signsOf, working, type ActionSolution, type Problem, type Solution } from '@viga/core'
import { caption } from '@viga/drawing/caption'
import { endForcesOf, heldMember } from '@viga/drawing/fixed-end-figure'
import { envelopeShown } from '@viga/drawing/envelope-diagram'
import { figureLetters } from '@viga/drawing/letters'
import { drawScene, type Layers } from '@viga/drawing/scene'
import { PAPER_INKS } from '@viga/drawing/inks'
import type { Mark, TextMark } from '@viga/drawing/marks'
import { fit } from '@viga/drawing/view'
import { casesShown } from '@viga/drawing/cases-shown'
import { drawnLoads } from '@viga/drawing/words'
import { need, PAGE, TEXT_WIDTH, words, type Pages } from './pages'
import { QUIET, textBox, type Doc, type Face } from './type'

function label(doc: Doc, m: TextMark) {
  const face: Face = m.italic ? 'serif-italic' : m.weight && m.weight >= 500 ? 'serif-bold' : 'serif'
  const box = textBox(doc, m.aside ? `${m.text}  ${m.aside}` : m.text, face, m.size, PAPER_INKS[m.fill])
  const left = m.anchor === 'middle' ? -box.w / 2 : m.anchor === 'end' ? -box.w : 0
  doc.save().translate(m.x, m.y)
  if (m.rotate) doc.rotate(m.rotate)
  if (m.halo)
    doc
      .rect(left - 1.5, -m.size * 0.5, box.w + 3, m.size)
      .fillColor('#ffffff')
      .fill()
  box.draw(doc, left, m.size * 0.34)
  doc.restore()
}

/** One mark of a drawing, where the document stands. */
export function mark(doc: Doc, m: Mark) {
  if (m.t === 'text') return label(doc, m)
  doc.save()
  if (m.opacity !== undefined) doc.opacity(m.opacity)
  doc.path(m.d)
  if (m.dash)
    doc.dash(Number(m.dash.split(/[\s,]+/)[0]), {
      space: Number(m.dash.split(/[\s,]+/)[1] ?? m.dash.split(/[\s,]+/)[0]),
    })
  doc.lineWidth(m.width ?? 1).lineJoin(m.round ? 'round' : 'miter')
  if (m.fill && m.stroke) doc.fillAndStroke(PAPER_INKS[m.fill], PAPER_INKS[m.stroke])
  else if (m.fill) doc.fillColor(PAPER_INKS[m.fill]).fill()
  else if (m.stroke) doc.strokeColor(PAPER_INKS[m.stroke]).stroke()
  doc.restore()
}

export const LAYERS: Layers = {
  loads: false,
  dimensions: false,
  supports: true,
  unknowns: false,
  reactions: false,
  names: false,
  diagram: null,
  deflected: false,
}

/** A member held at both ends, beside its fixed-end forces. */
export function held(p: Pages, book: working.Ledger, block: working.DrawingBlock) {
  const { structure, display, problem } = book.context
  const drawn = heldMember(
    structure,
    block.member,
    book.context.acting.factors,
    display,
    endForcesOf(book, block, working.readingOf(problem)),
  )
  const scale = 0.66
  need(p, drawn.height * scale + 6)
  p.doc
    .save()
    .translate(PAGE.left + (TEXT_WIDTH - drawn.width * scale) / 2, p.y)
    .scale(scale)
    .translate(0, -drawn.top)
  for (const g of drawn.groups) for (const m of g.marks) mark(p.doc, m)
  for (const l of drawn.labels) mark(p.doc, l.mark)
  p.doc.restore()
  p.y += drawn.height * scale + 6
}

/** A figure made for the paper, and how much room it takes, so that it is not parted from its heading. */
export interface PreparedFigure {
  tall: number
  draw: (p: Pages) => void
  /** Draws it at a distance from the left edge of the text, where there is room, and goes no further down. */
  at: (p: Pages, left: number) => void
}

/** Figures of half the width beside each other. */
export function abreast(p: Pages, figures: readonly PreparedFigure[]) {
  for (let i = 0; i < figures.length; i += 2) {
    const row = figures.slice(i, i + 2)
    const tall = Math.max(...row.map((f) => f.tall))
    need(p, tall)
    row.forEach((f, k) => f.at(p, (k * TEXT_WIDTH) / 2))
    p.y += tall
  }
}

/** How a figure stands on the paper: with what it shows below it or without, over the whole width or half. */
export interface FigureSetting {
  captioned?: boolean
  half?: boolean
}

/** Sizes on screen whose text is readable on paper, px, and the room around the structure. */
const WHOLE = { width: 640, height: 400, insets: { left: 90, right: 70, top: 70, bottom: 96 } }
const HALF = { width: 320, height: 250, insets: { left: 56, right: 50, top: 50, bottom: 60 } }

/** The drawing of the screen, made for the width of the paper; below it, what it shows. */
export function prepared(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  layers: Partial<Layers>,
  { captioned = true, half = false }: FigureSetting = {},
): PreparedFigure {
  const { width, height, insets } = half ? HALF : WHOLE
  const scale = TEXT_WIDTH / WHOLE.width
  const { structure } = solution
  const view = fit(structure.nodes, width, height, insets)
  const display = displayOf(problem)
  const shown = casesShown(problem, action.id)
  const scene = drawScene({
    structure,
    view,
    layers: { ...LAYERS, ...layers },
    loads: drawnLoads(structure, shown, display, problem),
    letters: figureLetters(problem),
    cases: shown,
    display,
    solved: { ...working.numbered(solution, problem), action },
    enlarge: 0,
    signs: signsOf(problem),
    enveloped: envelopeShown({ ...LAYERS, ...layers }, solution),
  })
  // the empty margins above and below what is drawn are left out
  const ys = [
    ...scene.labels.flatMap((l) => [l.box.y - l.box.h, l.box.y + l.box.h]),
    ...structure.nodes.map((n) => view.oy - n.y * view.scale),
  ]
  // numbered arrows and reactions reach farther out than labels do
  const [over, under] = layers.unknowns
    ? [76, 88]
    : layers.reactions
      ? [40, 92]
      : [40, layers.dimensions ? 66 : 44]
  const [top, bottom] = [Math.min(...ys) - over, Math.max(...ys) + under]
  const tall = (bottom - top) * scale + 8
  const said = captioned
    ? caption(problem, 'working', { ...LAYERS, ...layers }, display, scene.enlarged, null, scene).text
    : undefined
  const at = (p: Pages, left: number) => {
    p.doc
      .save()
      .translate(PAGE.left + left, p.y)
      .scale(scale)
      .translate(0, -top)
    for (const g of scene.groups) for (const m of g.marks) mark(p.doc, m)
    for (const l of scene.labels) mark(p.doc, l.mark)
    p.doc.restore()
  }
  const draw = (p: Pages) => {
    need(p, tall)
    at(p, 0)
    p.y += tall
    if (said) words(p, said, { face: 'serif-italic', size: 9, colour: QUIET, after: 8 })
  }
  return { tall, draw, at }
}
