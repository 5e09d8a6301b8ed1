import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { findJoint } from '../document/names.js'
import { typedAngle } from '../document/typed.js'
import type { Component, Problem, Support, SupportType } from '../document/types.js'
import { wayOfWord } from './load-line.js'
import { readSettlement, SETTLEMENT_WAYS, settlementValue } from './settlement.js'
import { holdOf, SUPPORT_WORDS, TYPES, withSettlement } from './supports.js'

export type NewSupport =
  { ok: true; node: string; support: Omit<Support, 'node'> } | { ok: false; message: string; rest?: string }

/** What a person calls a support, beside its own name and any beginning of it. */
const SYNONYMS: Record<string, SupportType> = {
  wall: 'fixed',
  clamped: 'fixed',
  built: 'fixed',
  encastre: 'fixed',
  pinned: 'pin',
  hinge: 'pin',
  hinged: 'pin',
  rolling: 'roller',
  rocker: 'roller',
}

const typeOf = (word: string): SupportType | undefined =>
  TYPES.find((t) => SUPPORT_WORDS[t].startsWith(word)) ??
  (Object.hasOwn(SYNONYMS, word) ? SYNONYMS[word] : undefined)

/** A settlement behind the support: `A roller settles 10 mm`, `B fixed, settlement 5 mm right`. */
const SETTLES = /^(.+?)[\s,]+(?:settles|settlement|sinks)(?:\s+by)?\s+(.+)$/i

/** The support of a line with the settlement behind it, downward unless it says another way. */
function withSettlementSaid(p: Problem, line: string, said: string): NewSupport {
  const made = readSupport(p, line)
  if (!made.ok) return made
  const way = said.split(/\s+/).flatMap((w) => wayOfWord(w) ?? [])[0]
  const component = COMPONENTS.find((c) => way !== undefined && SETTLEMENT_WAYS[c].includes(way)) ?? 'y'
  const read = readSettlement(said, component, SETTLEMENT_WAYS[component][0])
  if (!read.ok) return { ok: false, message: read.message, rest: said }
  const { reader } = makeReader(p.units, p.symbols)
  const r = reader.read(read.amount, component === 'rotation' ? D.angle : D.length)
  if (!r.ok) return { ok: false, message: r.message, rest: said }
  if (holdOf(made.support, component) !== 'fixed')
    return {
      ok: false,
      message: 'The support does not hold this direction, so it cannot settle in it.',
      rest: said,
    }
  const value = settlementValue(read.amount, read.way)
  return { ok: true, node: made.node, support: withSettlement(made.support, component, value) }
}

const COMPONENTS: readonly Component[] = ['y', 'x', 'rotation']

/**
 * A support in one line: `A roller settles 10 mm`, `A fixed`, `d pin`, `F roller 45`, `10 roller @ 30`: the
 * joint, the kind (a letter is enough; a pin where none is said), and the angle its ground is turned by, in
 * degrees unless it says otherwise. The line is read whole or refused.
 */
export function readSupport(p: Problem, text: string): NewSupport {
  const settles = SETTLES.exec(text)
  if (settles) return withSettlementSaid(p, settles[1], settles[2])
  const [joint = '', ...words] = text
    .trim()
    .replace(/[@∠<]/g, ' at ')
    .replace(/\bturned\s+by\b|\bturned\b/gi, ' at ')
    .split(/[\s,:]+/)
    .filter(Boolean)
  const node = findJoint(p, joint)
  if (node === undefined) return { ok: false, message: `There is no joint ${joint}.`, rest: joint }
  if (p.supports?.some((s) => s.node === node))
    return { ok: false, message: `${node} has a support already.` }
  const word = words[0] ?? 'pin'
  const type = typeOf(word.toLowerCase())
  if (!type)
    return { ok: false, message: `${word} is not a support; it is one of ${TYPES.join(', ')}.`, rest: word }
  const rest = words.slice(1)
  const angle = (/^at$/i.test(rest[0] ?? '') ? rest.slice(1) : rest).join(' ')
  if (angle === '' && rest.length === 0) return { ok: true, node, support: { type } }
  const { reader } = makeReader(p.units, p.symbols)
  const written = typedAngle(angle, reader)
  const r = reader.read(written, D.angle)
  if (angle === '' || !r.ok)
    return {
      ok: false,
      message: `"${rest.join(' ')}" is left over: after the kind comes only an angle, such as 30.`,
      rest: rest.join(' '),
    }
  return { ok: true, node, support: r.si === 0 ? { type } : { type, angle: written } }
}

export type NewSupports = { ok: true; supports: Support[] } | { ok: false; message: string; rest?: string }

/**
 * Supports in one line: `A pin, B roller`, `A fixed; D pin and F roller 45`, `A, B pin`. A joint without a
 * kind has that of the next one that says it, or is a pin. The line is read whole or refused.
 */
export function readSupports(p: Problem, text: string): NewSupports {
  const pieces: string[] = []
  for (const piece of text.split(/\s*(?:[,;&]|\band\b)\s*/i).filter(Boolean)) {
    const [first] = piece.split(/[\s:@∠<]+/)
    // `A, fixed`: what names no joint belongs to the piece before it
    const goesOn = typeOf(first.toLowerCase()) !== undefined || /^settle|^sinks/i.test(first)
    if (pieces.length > 0 && findJoint(p, first) === undefined && goesOn)
      pieces.push(`${pieces.pop()!} ${piece}`)
    else pieces.push(piece)
  }
  const supports: Support[] = []
  let said = ''
  for (const piece of pieces.reverse()) {
    const alone = findJoint(p, piece) !== undefined
    const words = alone ? said : piece.trim().replace(/^\S+\s*/, '')
    const read = readSupport(p, alone ? `${piece} ${words}` : piece)
    if (!read.ok) return read
    if (supports.some((s) => s.node === read.node))
      return { ok: false, message: `${read.node} stands in this line twice.`, rest: read.node }
    supports.unshift({ node: read.node, ...read.support })
    said = words
  }
  if (supports.length === 0) return { ok: false, message: 'A joint is missing, such as A in A pin.' }
  return { ok: true, supports }
}
