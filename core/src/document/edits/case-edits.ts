import { produce } from 'immer'
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

export const renameCase = (p: Problem, from: string, to: string): Problem =>
  produce(p, (d) => {
    for (const c of d.loadCases ?? []) if (c.id === from) c.id = to
    for (const s of d.supports ?? []) if (s.settlementCase === from) s.settlementCase = to
    for (const a of d.answers ?? []) if (a.case === from) a.case = to
    for (const c of d.combinations ?? [])
      if (from in c.factors)
        c.factors = Object.fromEntries(Object.entries(c.factors).map(([k, v]) => [k === from ? to : k, v]))
  })

export const removeCase = (p: Problem, id: string): Problem =>
  produce(p, (d) => {
    d.loadCases = keep(d.loadCases ?? [], (c) => c.id !== id)
    for (const s of d.supports ?? [])
      if (s.settlementCase === id) {
        delete s.settlement
        delete s.settlementCase
      }
    for (const c of d.combinations ?? []) delete c.factors[id]
    d.answers = keep(d.answers ?? [], (a) => a.case !== id)
  })

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
  produce(p, (d) => {
    for (const c of d.combinations ?? []) if (c.id === from) c.id = to
    for (const a of d.answers ?? []) if (a.case === from) a.case = to
  })

export const removeCombination = (p: Problem, id: string): Problem =>
  produce(p, (d) => {
    d.combinations = keep(d.combinations ?? [], (c) => c.id !== id)
    if (d.answers) d.answers = keep(d.answers, (a) => a.case !== id)
  })
