import { thing, working } from '@viga/core'
import { createContext, useContext, useMemo, useState } from 'react'
import { useSheet, useSolved } from '../sheet/context'

/** The numbers of the working as it is shown, and which of them is opened. */
export interface Book {
  ledger: working.Ledger
  reading: working.Reading
  /** The same before the last edit, to tell which numbers it changed. */
  before: working.Ledger | undefined
  /** A matrix kept in view while reading on. */
  pinned: Pinned | null
  pin: (p: Pinned | null) => void
  /** The trail of opened numbers, the last one shown. */
  trail: readonly string[]
  open: (address: string | null) => void
}

export interface Pinned {
  block: working.MatrixBlock
  within?: string
}

export const BookContext = createContext<Book | null>(null)

export function useBook(): Book {
  const book = useContext(BookContext)
  if (!book) throw new Error('This part of the page stands outside a working.')
  return book
}

/** The ledger of the shown case; made anew with each solution. */
export function useLedger(): working.Ledger | undefined {
  const solved = useSolved()
  const problem = useSheet((s) => s.problem)
  return useMemo(
    () =>
      solved &&
      working.ledger(
        solved.solution,
        problem.units as { length: string; force: string },
        solved.action,
        problem,
      ),
    [solved, problem],
  )
}

/** The ledger before the last edit of the same case, while the same working is read. */
export function useBefore(ledger: working.Ledger | undefined): working.Ledger | undefined {
  const [[now, before], remember] = useState<[working.Ledger | undefined, working.Ledger | undefined]>([
    ledger,
    undefined,
  ])
  if (now === ledger) return before
  const same =
    now &&
    ledger &&
    now.context.action.id === ledger.context.action.id &&
    now.context.problem !== ledger.context.problem
  remember([ledger, same ? now : undefined])
  return same ? now : undefined
}

/** Whether an edit has changed a number, more than by rounding. */
export function hasChanged(
  address: string,
  ledger: working.Ledger,
  before: working.Ledger | undefined,
): boolean {
  if (!before) return false
  const [a, b] = [ledger.entry(address)?.value, before.entry(address)?.value]
  return (
    a !== b &&
    (a === undefined || b === undefined || Math.abs(a - b) > 1e-9 * Math.max(Math.abs(a), Math.abs(b)))
  )
}

/** What an address belongs to on the Figure: its member, its joint, its unknowns. */
export function targetsOfNumber(address: string, ledger: working.Ledger): string[] {
  const [kind, ...parts] = address.split('/').map(decodeURIComponent)
  const dof = (p: string) => thing.dof(Number(p) - 1)
  /** Rows and columns of the equations stand in the order of the numbers of the free unknowns. */
  const position = (p: string): string[] => {
    const u = working.inOrder(working.unknowns(ledger.context).filter((o) => o.free))[Number(p) - 1]
    return u ? [thing.dof(u.index)] : []
  }
  switch (kind) {
    case 'case':
      return targetsOfNumber(parts.slice(1).map(encodeURIComponent).join('/'), ledger)
    case 'per-own':
      return targetsOfNumber(parts.slice(1).map(encodeURIComponent).join('/'), ledger)
    case 'per-common':
    case 'times-common':
      return targetsOfNumber(parts.map(encodeURIComponent).join('/'), ledger)
    case 'K':
    case 'K-tied':
    case 'tie':
      return [dof(parts[0]), dof(parts[1])]
    case 'row':
      return [...position(parts[1]), ...position(parts[2])]
    case 'ldl-l':
    case 'ldl-d':
    case 'ldl-z':
    case 'ldl-y':
    case 'ldl-x':
      return parts.flatMap(position)
    case 'P':
    case 'P-free':
    case 'tie-alone':
    case 'D':
    case 'R':
    case 'joint-load':
    case 'joint':
      return [dof(parts[0])]
    case 'x':
    case 'y':
    case 'turn':
    case 'cos-turn':
    case 'sin-turn':
    case 'settlement':
    case 'spring':
      return [thing.node(parts[0])]
    case 'load':
    case 'load-q':
    case 'load-at':
    case 'load-along':
    case 'load-across':
    case 'force-along':
    case 'force-across':
      return [thing.load(ledger.context.action.id, Number(parts[0]))]
    case 'symbol': {
      const { members } = ledger.context.solution.structure
      return working
        .multiplesOf(ledger.context)
        .flatMap((m, i) => (m?.symbol === parts[0] ? [thing.member(members[i].id)] : []))
    }
    case 'common':
    case 'whole':
    case 'work':
    case 'energy':
      return []
    default:
      return parts[0] === undefined ? [] : [thing.member(parts[0])]
  }
}

/** Values of one kind differ from 0 by rounding alone below this share of the largest. */
const ROUNDING = 1e-11

/** A number as the working shows it; what is 0 but for rounding, against others of its kind, is written 0. */
export function numberWords(value: number, reading: Pick<working.Reading, 'figures'>, most = 0): string {
  return Math.abs(value) <= ROUNDING * most ? '0' : working.inFigures(value, reading)
}
