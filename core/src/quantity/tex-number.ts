import { formatNumber } from './format.js'

const DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const fromSuperscript = (s: string) =>
  [...s].map((c) => (c === '⁻' ? '-' : String(DIGITS.indexOf(c)))).join('')

/** A number as a formula writes it in TeX. */
export const texNumber = (v: number, figures = 4): string =>
  formatNumber(v, { figures })
    .replace('−', '-')
    .replace(/\u2009/g, '\\,')
    .replace(/·10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)/, (_, p: string) => `\\cdot10^{${fromSuperscript(p)}}`)
