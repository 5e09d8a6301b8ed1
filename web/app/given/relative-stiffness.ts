import { edit, type Problem, type Section } from '@viga/core'

/**
 * Relative stiffness: a section given by its EI, such as `EI` or `2EI`, with the symbol EI as reference. The
 * document has
 * no EI of its own, so I is kept as `(2*EI)/(E)`, with the E of the material of the members that have this
 * section.
 */
const FORM = /^\((.*)\)\/\((.*)\)$/s

/** What was typed as EI; undefined for a section given otherwise. */
export function eiOf(p: Problem, s: Section): string | undefined {
  const m = typeof s.I === 'string' ? FORM.exec(s.I) : null
  return m && m[2] === modulusOf(p, s.id) ? m[1] : undefined
}

function modulusOf(p: Problem, section: string): string | undefined {
  const id = p.members.find((m) => m.section === section)?.material ?? p.materials?.[0]?.id
  const E = p.materials?.find((m) => m.id === id)?.E
  return E === undefined ? undefined : typeof E === 'number' ? `${E} ${p.units.force}/${p.units.length}^2` : E
}

/** `2EI` as an expression: a number before a symbol is a factor. */
export const asProduct = (text: string, symbols: Record<string, unknown>): string =>
  text
    .trim()
    .replace(/(\d)\s*(\p{L}[\p{L}\p{Nd}_']*)/gu, (whole: string, digit: string, name: string) =>
      Object.hasOwn(symbols, name) ? `${digit}*${name}` : whole,
    )

/** A round reference for EI where the problem has none yet. */
const REFERENCE = { m: '20000 kN*m^2', ft: '7000 kip*ft^2' }

/** Gives a section its EI; the symbol EI is made with a round value where it is used and not there yet. */
export function withEI(p: Problem, id: string, typed: string): Problem {
  const us = p.units.length === 'ft' || p.units.length === 'in'
  const needs = /EI/.test(typed) && !Object.hasOwn(p.symbols ?? {}, 'EI')
  const known = needs ? edit.setSymbol(p, 'EI', us ? REFERENCE.ft : REFERENCE.m) : p
  const E = modulusOf(known, id)
  const text = asProduct(typed, known.symbols ?? {})
  return edit.setSection(known, id, { I: `(${text})/(${E ?? '200 GPa'})` })
}

/** A new E goes into every EI that was stated with the old one, so that EI stays what was said. */
export function withModulus(p: Problem, material: string, change: (p: Problem) => Problem): Problem {
  const stated = (p.sections ?? []).flatMap((s) => {
    const own = p.members.find((m) => m.section === s.id)?.material ?? p.materials?.[0]?.id
    const text = own === material ? eiOf(p, s) : undefined
    return text === undefined ? [] : [{ id: s.id, text }]
  })
  return stated.reduce((q, s) => withEI(q, s.id, s.text), change(p))
}
