import { displayOf, signsOf, working, type ActionSolution, type Problem, type Solution } from '@viga/core'
import { bodyFigure, type SmallFigure } from '@viga/drawing/body-figure'
import { caption } from '@viga/drawing/caption'
import { endForcesOf, heldMember } from '@viga/drawing/fixed-end-figure'
import { envelopeShown } from '@viga/drawing/envelope-diagram'
import { figureLetters } from '@viga/drawing/letters'
import { drawScene, type Layers } from '@viga/drawing/scene'
import { PAPER_INKS } from '@viga/drawing/inks'
import { INDEX, type Mark, type TextMark } from '@viga/drawing/marks'
import { fit } from '@viga/drawing/view'
import { casesShown } from '@viga/drawing/cases-shown'
import { drawnLoads } from '@viga/drawing/words'
import { need, PAGE, roomLeft, TEXT_WIDTH, words, type Pages } from './pages'
import { QUIET, textBox, type Doc, type Face } from './type'

function label(doc: Doc, m: TextMark) {
  const face: Face = m.italic ? 'serif-italic' : m.weight && m.weight >= 500 ? 'serif-bold' : 'serif'
  const box = textBox(doc, m.aside ? `${m.text}  ${m.aside}` : m.text, face, m.size, PAPER_INKS[m.fill])
  const index = m.sub ? textBox(doc, m.sub, face, INDEX.size * m.size, PAPER_INKS[m.fill]) : undefined
  const w = box.w + (index?.w ?? 0)
  const left = m.anchor === 'middle' ? -w / 2 : m.anchor === 'end' ? -w : 0
  doc.save().translate(m.x, m.y)
  if (m.rotate) doc.rotate(m.rotate)
  if (m.halo)
    doc
      .rect(left - 1.5, -m.size * 0.5, w + 3, m.size)
      .fillColor('#ffffff')
      .fill()
  box.draw(doc, left, m.size * 0.34)
  index?.draw(doc, left + box.w, m.size * (0.34 + INDEX.below))
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
  small(p, { ...drawn, bounds: { x: 0, y: drawn.top, width: drawn.width, height: drawn.height } })
}

/** A body by itself with the forces on it, and what it is. */
export function body(p: Pages, book: working.Ledger, block: working.BodyBlock) {
  const figure = bodyFigure(block, book.context.acting.factors, book.context.display)
  small(p, figure, 26)
  words(p, block.caption, { face: 'serif-italic', size: 9, colour: QUIET, after: 8 })
}

/** Scale of the drawings inside a step. */
const SMALL = 0.66

/** A drawing inside a step, in the middle of the page, with room kept for what is said under it. */
function small(p: Pages, { groups, labels, bounds }: SmallFigure, under = 0) {
  const tall = bounds.height * SMALL
  need(p, tall + 6 + under)
  p.doc
    .save()
    .translate(PAGE.left + (TEXT_WIDTH - bounds.width * SMALL) / 2, p.y)
    .scale(SMALL)
    .translate(-bounds.x, -bounds.y)
  for (const g of groups) for (const m of g.marks) mark(p.doc, m)
  for (const l of labels) mark(p.doc, l.mark)
  p.doc.restore()
  p.y += tall + 6
}

/** A figure made for the paper, and how much room it takes, so that it is not parted from its heading. */
export interface PreparedFigure {
  tall: number
  draw: (p: Pages) => void
  /** Draws it at a distance from the left edge of the text, `factor` times as large; goes no further down. */
  at: (p: Pages, left: number, factor?: number) => void
}

/** The least scale at which figures stand on the rest of a page. */
const LEAST_SCALE = 0.66

/**
 * Figures of half the width, two beside each other.
 * @param below room for what is said under them, points; with it they are made smaller where all of it then
 *   fits on this page
 */
export function abreast(p: Pages, figures: readonly PreparedFigure[], below?: number) {
  const rows = Array.from({ length: Math.ceil(figures.length / 2) }, (_, i) =>
    figures.slice(2 * i, 2 * i + 2),
  )
  const tallOf = (row: readonly PreparedFigure[]) => Math.max(...row.map((f) => f.tall))
  const whole = rows.reduce((sum, row) => sum + tallOf(row), 0)
  const fitting = below === undefined ? 1 : (roomLeft(p) - below) / whole
  const factor = fitting < LEAST_SCALE ? 1 : Math.min(1, fitting)
  for (const row of rows) {
    const tall = factor * tallOf(row)
    need(p, tall)
    row.forEach((f, k) => f.at(p, (k * TEXT_WIDTH) / 2, factor))
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

/** The reach of numbered arrows, reactions and dimensions beyond the labels, above and below, px. */
function reachOf(layers: Partial<Layers>, half: boolean): [over: number, under: number] {
  if (layers.unknowns) return [76, 88]
  if (layers.reactions) return [40, 92]
  if (layers.dimensions) return [40, 66]
  return half ? [20, 26] : [40, 44]
}

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
  const [over, under] = reachOf(layers, half)
  const [top, bottom] = [Math.min(...ys) - over, Math.max(...ys) + under]
  const tall = (bottom - top) * scale + 8
  const said = captioned
    ? caption(problem, 'working', { ...LAYERS, ...layers }, display, scene.enlarged, null, scene).text
    : undefined
  const at = (p: Pages, left: number, factor = 1) => {
    // a smaller one stands in the middle of its place
    const inset = ((1 - factor) * width * scale) / 2
    p.doc
      .save()
      .translate(PAGE.left + left + inset, p.y)
      .scale(factor * scale)
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
