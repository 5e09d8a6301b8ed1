import { useEffect, useState } from 'react'

type Render = (tex: string) => string
let ready: Render | undefined
let loading: Promise<Render> | undefined

const load = () =>
  (loading ??= Promise.all([import('katex'), import('katex/dist/katex.min.css')]).then(([{ default: katex }]) => (ready = (tex: string) => katex.renderToString(tex, { throwOnError: false, output: 'htmlAndMathml' }))))

/** A typeset formula; the typesetter is fetched when the first one is shown, until then its plain words stand there. */
export function Formula({ tex, plain }: { tex: string; plain: string }) {
  const [render, setRender] = useState<Render | undefined>(() => ready)
  useEffect(() => {
    let here = true
    void load().then((r) => here && setRender(() => r))
    return () => {
      here = false
    }
  }, [])
  // the text comes from our own templates; labels in it are escaped by `texLabel`
  return render ? <span className="formula" dangerouslySetInnerHTML={{ __html: render(tex) }} /> : <span className="formula italic">{plain}</span>
}

/** A person's label inside a formula: never a command. */
export const texLabel = (label: string) => `\\mathit{${label.replace(/[^\p{L}\p{N}' ]/gu, (c) => (c === '–' || c === '-' ? '\\text{–}' : ''))}}`

/** A number inside a formula. */
export const texNumber = (formatted: string) => formatted.replace(/−/g, '-').replace(/\u2009/g, '\\,').replace(/·10([⁻⁰¹²³⁴-⁹]+)/g, (_, e: string) => `\\cdot 10^{${e.replace(/[⁻⁰¹²³⁴-⁹]/g, (c) => (c === '⁻' ? '-' : String('⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(c))))}}`)
