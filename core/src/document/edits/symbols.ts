import { isReservedName, isSymbolName } from '../../quantity/expression.js'
import { symbolsNamed, withSymbolsRenamed } from '../../quantity/products.js'
import { document } from '../schema.js'
import { transform } from '../transform.js'
import type { Problem } from '../types.js'

/** Places of a symbol that are named in a sentence; more are counted. */
const MOST_NAMED = 3
const AND = new Intl.ListFormat('en-GB')

/** The place of a quantity in the document, in words: "the load on AB", "joint B", "the section 2EI". */
function placeInWords(p: Problem, path: string): string {
  const [, list, index, rest] = /^(\w+)(?:\[(\d+)\])?(.*)$/.exec(path) ?? []
  const i = Number(index)
  switch (list) {
    case 'nodes':
      return `joint ${p.nodes[i].id}`
    case 'members':
      return `the member ${p.members[i].id}`
    case 'supports':
      return `the support of ${p.supports![i].node}`
    case 'materials':
      return `the material ${p.materials![i].id}`
    case 'sections':
      return `the section ${p.sections![i].id}`
    case 'answers':
      return 'a value of the Check'
    case 'loadCases': {
      const load = p.loadCases![i].loads[Number(/loads\[(\d+)\]/.exec(rest)?.[1])]
      if (!load) return `the case ${p.loadCases![i].id}`
      return `the load on ${load.type === 'nodal' ? load.node : load.member}`
    }
    case 'combinations':
      return `the combination ${p.combinations![i].id}`
    case 'symbols':
      return `the symbol ${rest.slice(1)}`
    default:
      return 'the problem'
  }
}

/** Where a symbol is used, in words, each place once; of the symbols' own values those that name it. */
function usesOf(p: Problem, name: string): string[] {
  const isSymbol = (n: string) => Object.hasOwn(p.symbols ?? {}, n)
  const uses = new Set<string>()
  transform(document, p, {
    quantity: (q, _form, _owner, path) => {
      if (typeof q === 'string' && symbolsNamed(q, isSymbol).includes(name)) uses.add(placeInWords(p, path))
      return q
    },
  })
  return [...uses]
}

/** Why a symbol cannot be removed: what uses it, as a sentence; undefined where nothing does. */
export function symbolInUse(p: Problem, name: string): string | undefined {
  const uses = usesOf(p, name)
  if (uses.length === 0) return undefined
  const named = uses.slice(0, uses.length > MOST_NAMED + 1 ? MOST_NAMED : uses.length)
  const more = uses.length - named.length
  return `${name} is used by ${AND.format(more > 0 ? [...named, `${more} more`] : named)}.`
}

/** Why a symbol cannot have a name, as a sentence; undefined where it can. */
export function symbolNameRefusal(p: Problem, to: string): string | undefined {
  if (!isSymbolName(to))
    return 'A symbol begins with a letter and goes on with letters, digits, _ or a prime.'
  if (isReservedName(to)) return `${to} is a unit or a function, so it cannot be a symbol.`
  return Object.hasOwn(p.symbols ?? {}, to) ? `There is a symbol ${to} already.` : undefined
}

/** A symbol under another name, in its place of the list and in every text that names it. */
export function renameSymbol(p: Problem, from: string, to: string): Problem {
  if (from === to || !p.symbols || !Object.hasOwn(p.symbols, from)) return p
  const { symbols } = p
  const isSymbol = (n: string) => Object.hasOwn(symbols, n)
  const renamed = transform(document, p, {
    quantity: (q) => (typeof q === 'string' ? withSymbolsRenamed(q, new Map([[from, to]]), isSymbol) : q),
  }) as Problem
  return {
    ...renamed,
    ...(renamed.letters && { letters: renamed.letters.map((name) => (name === from ? to : name)) }),
    symbols: Object.fromEntries(
      Object.entries(renamed.symbols!).map(([name, value]) => [name === from ? to : name, value]),
    ),
  }
}
