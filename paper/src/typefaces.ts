import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const fromHere = createRequire(import.meta.url)

/** The cuts that a figure is written in: family, file and the values a style sheet knows them by. */
const CUTS = [
  ['IBM Plex Sans', 'ibm-plex-sans', 400, 'normal'],
  ['IBM Plex Sans', 'ibm-plex-sans', 500, 'normal'],
  ['IBM Plex Sans', 'ibm-plex-sans', 600, 'normal'],
  ['IBM Plex Serif', 'ibm-plex-serif', 400, 'italic'],
  ['IBM Plex Serif', 'ibm-plex-serif', 500, 'italic'],
] as const

let rules: string | undefined

/**
 * Style rules that carry the typefaces of the page inside, so that a file that holds them needs nothing else.
 */
export function typefaceRules(): string {
  rules ??= CUTS.map(([family, name, weight, style]) => {
    const folder = dirname(fromHere.resolve(`@fontsource/${name}/package.json`))
    const data = readFileSync(join(folder, `files/${name}-latin-${weight}-${style}.woff2`)).toString('base64')
    return (
      `@font-face{font-family:'${family}';font-weight:${weight};font-style:${style};` +
      `src:url(data:font/woff2;base64,${data}) format('woff2')}`
    )
  }).join('')
  return rules
}
