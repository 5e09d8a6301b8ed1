import { useEffect, useState } from 'react'

type Render = (tex: string) => string
let ready: Render | undefined
let loading: Promise<Render> | undefined

/** What was typeset lately: an edit changes few of the formulas on a page. */
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

/** A typeset formula, read aloud in its plain words; until the typesetter is there, they stand in its place. */
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
  // the text comes from our own templates; labels in it are escaped by `wordsLatex`
  return render ? <span className="formula" role="math" aria-label={plain} dangerouslySetInnerHTML={{ __html: render(tex) }} /> : <span className="formula italic">{plain}</span>
}
