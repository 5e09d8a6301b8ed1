/**
 * A thing that can be pointed at: something stated in the problem, an unknown of its solution, or a handle on
 * the Figure. Numbers of the working, rows of tables and marks of a drawing all say by it what they belong
 * to.
 */
export type Thing =
  | { kind: 'node'; id: string }
  | { kind: 'member'; id: string }
  | { kind: 'support'; id: string }
  | { kind: 'load'; caseId: string; index: number }
  /** An unknown, by its place in the solver's order. */
  | { kind: 'dof'; index: number }
  | { kind: 'answer'; id: string }
  /** A hinge drawn at an end of a member, and the ring that makes one. */
  | { kind: 'end'; id: string; end: 'start' | 'end' }
  | { kind: 'ring'; id: string; end: 'start' | 'end' }
  /** A corner of a distributed load that can be pulled. */
  | { kind: 'grip'; caseId: string; index: number; point: number }

/**
 * The text of a thing, by which things are compared, kept and found on the page. It is made by `thing` and
 * read by `readThing` alone: a label may hold any visible character, a colon too.
 */
export type ThingKey = string

const coded = (part: string | number): string =>
  String(part).replace(/[%:\n]/g, (c) => (c === '%' ? '%25' : c === ':' ? '%3A' : '%0A'))
const decoded = (part: string): string =>
  part.replace(/%(25|3A|0A)/g, (_, code: string) => (code === '25' ? '%' : code === '3A' ? ':' : '\n'))
const key = (...parts: (string | number)[]): ThingKey => parts.map(coded).join(':')

/** Keys of things by kind: `thing.member('AB')`, `thing.load('D', 0)`. */
export const thing = {
  node: (id: string) => key('node', id),
  member: (id: string) => key('member', id),
  support: (id: string) => key('support', id),
  load: (caseId: string, index: number) => key('load', caseId, index),
  dof: (index: number) => key('dof', index),
  answer: (id: string) => key('answer', id),
  end: (id: string, end: 'start' | 'end') => key('end', id, end),
  ring: (id: string, end: 'start' | 'end') => key('ring', id, end),
  grip: (caseId: string, index: number, point: number) => key('grip', caseId, index, point),
}

/** The thing of a key; undefined for a text that is none. */
export function readThing(text: ThingKey): Thing | undefined {
  const [kind, a = '', b = '', c = ''] = text.split(':').map(decoded)
  switch (kind) {
    case 'node':
    case 'member':
    case 'support':
    case 'answer':
      return { kind, id: a }
    case 'load':
      return { kind, caseId: a, index: Number(b) }
    case 'dof':
      return { kind, index: Number(a) }
    case 'end':
    case 'ring':
      return { kind, id: a, end: b === 'start' ? 'start' : 'end' }
    case 'grip':
      return { kind, caseId: a, index: Number(b), point: Number(c) }
    default:
      return undefined
  }
}

/** Whether a key is that of a thing of this kind. */
export const isThing = (text: ThingKey | null | undefined, kind: Thing['kind']): text is ThingKey =>
  text?.startsWith(`${kind}:`) === true
