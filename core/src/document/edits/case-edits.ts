import { titleOf } from '../combination-title.js'
import { produce } from 'immer'
import { remove, rename } from '../references.js'
import { assign, keep } from './edit-helpers.js'
import { freeId } from '../labels.js'
import type { Combination, Load, LoadCase, Problem } from '../types.js'

// loads; a load is known by its case and its place in it

export const addLoad = (p: Problem, caseId: string, load: Load): Problem =>
  produce(p, (d) => {
    d.loadCases ??= []
    let c = d.loadCases.find((o) => o.id === caseId)
    if (!c) d.loadCases.push((c = { id: caseId, loads: [] }))
    c.loads.push(load)
  })

export const setLoad = (p: Problem, caseId: string, index: number, load: Load): Problem =>
  produce(p, (d) => {
    const c = d.loadCases?.find((o) => o.id === caseId)
    if (c?.loads[index]) c.loads[index] = load
  })

export const removeLoad = (p: Problem, caseId: string, index: number): Problem =>
  produce(p, (d) => {
    d.loadCases?.find((o) => o.id === caseId)?.loads.splice(index, 1)
  })

export const addCase = (p: Problem): Problem =>
  produce(p, (d) => {
    d.loadCases ??= []
    const taken = [...d.loadCases, ...(d.combinations ?? [])].map((c) => c.id)
    d.loadCases.push({ id: freeId(taken, ''), loads: [] })
  })

export const setCase = (
  p: Problem,
  id: string,
  change: Partial<Pick<LoadCase, 'title' | 'selfWeight' | 'category'>>,
): Problem =>
  produce(p, (d) => {
    const c = d.loadCases?.find((o) => o.id === id)
    if (c) assign(c, change)
  })

/** Relabels a case everywhere, in the titles of combinations that are made of the labels too. */
export function renameCase(p: Problem, from: string, to: string): Problem {
  const made = new Set(p.combinations?.filter((c) => c.title === titleOf(c.factors)).map((c) => c.id))
  return produce(rename(p, 'case', new Map([[from, to]])), (d) => {
    for (const c of d.combinations ?? []) if (made.has(c.id)) c.title = titleOf(c.factors)
  })
}

/**
 * Takes a case out with its settlements, its factors and the answers that speak of it. What names no case
 * belongs to the first one, and goes with it.
 */
export function removeCase(p: Problem, id: string): Problem {
  const first = p.loadCases?.[0]?.id === id
  const own = !first
    ? p
    : produce(p, (d) => {
        for (const s of d.supports ?? []) if (s.settlementCase === undefined) delete s.settlement
        if (d.answers) d.answers = keep(d.answers, (a) => a.case !== undefined)
      })
  return remove(own, 'case', [id])
}

// combinations

/** A combination of every case, each once. */
export const addCombination = (p: Problem): Problem =>
  produce(p, (d) => {
    d.combinations ??= []
    const taken = [...(d.loadCases ?? []), ...d.combinations].map((c) => c.id)
    d.combinations.push({
      id: freeId(taken, 'C'),
      factors: Object.fromEntries((d.loadCases ?? []).map((c) => [c.id, 1])),
    })
  })

export const setCombination = (
  p: Problem,
  id: string,
  change: Partial<Omit<Combination, 'factors'>>,
): Problem =>
  produce(p, (d) => {
    const c = d.combinations?.find((o) => o.id === id)
    if (c) assign(c, change)
  })

/** Sets the factor of a case in a combination, or leaves it blank. */
export const setFactor = (p: Problem, id: string, caseId: string, factor: number | undefined): Problem =>
  produce(p, (d) => {
    const c = d.combinations?.find((o) => o.id === id)
    if (!c) return
    if (factor === undefined) delete c.factors[caseId]
    else c.factors[caseId] = factor
    delete c.title // it said the factors that were
  })

export const renameCombination = (p: Problem, from: string, to: string): Problem =>
  rename(p, 'combination', new Map([[from, to]]))

export const removeCombination = (p: Problem, id: string): Problem => remove(p, 'combination', [id])
