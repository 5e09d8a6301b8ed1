import type { Quantity } from './types.js'

/** The sign of a quantity as it was typed: magnitudes are shown positive, directions are chosen. */

/** Puts a minus before what was typed, with brackets where a sum would change its meaning. */
export function negated(q: Quantity): Quantity {
  if (typeof q === 'number') return q === 0 ? 0 : -q
  return topLevelSum(q) || q.trim().startsWith('-') ? `-(${q})` : `-${q}`
}

/** Undoes `negated`: the magnitude as typed, and whether a minus stood before it. */
export function magnitude(q: Quantity): { amount: Quantity; negative: boolean } {
  if (typeof q === 'number') return { amount: Math.abs(q), negative: q < 0 }
  const t = q.trim()
  if (!/^[-−]/.test(t)) return { amount: q, negative: false }
  const rest = t.slice(1).trim()
  if (rest.startsWith('(') && closing(rest) === rest.length - 1)
    return { amount: rest.slice(1, -1), negative: true }
  return topLevelSum(rest)
    ? { amount: q, negative: false }
    : { amount: /^[\d.]+$/.test(rest) ? Number(rest) : rest, negative: true }
}

function topLevelSum(t: string): boolean {
  let depth = 0
  for (let i = 0; i < t.length; i++) {
    if (t[i] === '(') depth++
    else if (t[i] === ')') depth--
    else if (depth === 0 && i > 0 && /[+\-−–]/.test(t[i]) && !/[eE*/^(]\s*$/.test(t.slice(0, i))) return true
  }
  return false
}

function closing(t: string): number {
  let depth = 0
  for (let i = 0; i < t.length; i++) {
    if (t[i] === '(') depth++
    else if (t[i] === ')' && --depth === 0) return i
  }
  return -1
}
