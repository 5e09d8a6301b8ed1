import { useDeferredValue, useEffect, useState } from 'react'
import { quietly } from './quietly'

type Render = (tex: string) => string
let ready: Render | undefined
let loading: Promise<Render> | undefined

/** Cache of typeset formulas, because an edit changes few of the formulas on a page. */
const kept = new Map<string, string>()
const MOST_KEPT = 3000

/** Fetches the typesetter, so that the first formula need not wait for it. */
export const loadTypesetter = () =>
  (loading ??= Promise.all([import('katex'), import('katex/dist/katex.min.css')]).then(
    ([{ default: katex }]) =>
      (ready = (tex: string) => {
        let html = kept.get(tex)
        if (html === undefined) {
          if (kept.size >= MOST_KEPT) kept.clear()
          kept.set(tex, (html = katex.renderToString(tex, { throwOnError: false, output: 'html' })))
        }
        return html
      }),
  ))

/**
 * Formulas of the kinds a working is made of: typeset once beforehand, the first page of them is no slower
 * than the next.
 */
const USUAL = [
  'L=\\sqrt{{\\Delta x}^{2}+{\\Delta y}^{2}}=7.6896\\;\\text{m}',
  '\\displaystyle f_{2}=-\\frac{q_{1}\\,L}{2}=-\\frac{\\left(-15\\right)\\cdot 6}{2}',
  'K_{23}^{\\text{AB}}=\\begin{bmatrix}1&0\\\\0&1\\end{bmatrix}',
  '\\int_{0}^{L}x\\,dx',
]
const FACES = ['KaTeX_Main', 'italic 1em KaTeX_Math', 'KaTeX_Size1', 'KaTeX_Size2']

/** Fetches the typesetter and its typefaces while the browser is idle, and sets the usual formulas. */
export function warmTypesetter() {
  quietly(() => {
    for (const face of FACES)
      void document.fonts.load(face.includes(' ') ? face : `1em ${face}`).catch(() => {})
    setBeforehand(USUAL)
  })
}

/** Idle time that is left to other tasks, ms. */
const REST = 3

/**
 * Typesets formulas that will soon be shown, a few at a time while the browser is idle.
 * @returns a function that cancels it
 */
export function setBeforehand(formulas: Iterable<string>): () => void {
  const all = formulas[Symbol.iterator]()
  let over = false
  let stop = () => {}
  void loadTypesetter().then((render) => {
    const some = (remaining: () => number) => {
      for (let next = all.next(); !next.done; next = all.next()) {
        render(next.value)
        if (remaining() < REST) return void (stop = quietly(some))
      }
    }
    if (!over) stop = quietly(some)
  })
  return () => {
    over = true
    stop()
  }
}

/**
 * A typeset formula, read aloud in its plain words; until the typesetter is there, they stand in its place.
 */
export function Formula({ tex, plain }: { tex: string; plain: string }) {
  const [render, setRender] = useState<Render | undefined>(() => ready)
  useEffect(() => {
    if (render) return
    let here = true
    void loadTypesetter().then((r) => here && setRender(() => r))
    return () => {
      here = false
    }
  }, [render])
  // results are new at once; what is typeset follows, so that typing never waits for it
  const shown = useDeferredValue(tex)
  // the text comes from our own templates; labels in it are escaped by `wordsLatex`
  return render ? (
    <span
      className="formula"
      role="math"
      aria-label={plain}
      dangerouslySetInnerHTML={{ __html: render(shown) }}
    />
  ) : (
    <span className="formula italic">{plain}</span>
  )
}
