import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import { findJoint } from '../document/names.js'
import { typedAngle } from '../document/typed.js'
import type { Problem, Support, SupportType } from '../document/types.js'
import { SUPPORT_WORDS, TYPES } from './supports.js'

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

/**
 * A support in one line: `A fixed`, `d pin`, `F roller 45`, `10 roller @ 30`: the joint, the kind (a letter
 * is enough; a pin where none is said), and the angle its ground is turned by, in degrees unless it says
 * otherwise. The line is read whole or refused.
 */
export function readSupport(p: Problem, text: string): NewSupport {
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
