import type { Problem } from '@viga/core'
import { keyOf } from './made-before.server'

/** The parts of the results that the page asks for when none is left out, in its order. */
const PARTS = 'statement,diagrams,reactions,end-forces,extremes,displacements'

/**
 * What the pages ask for as a PDF of the working, for each case and combination of a document, and by which
 * keys; the first is also asked for without its name.
 */
export const workingsOf = (document: string) =>
  idsOf(document).map((caseId, i) => {
    const asked = { form: 'pdf', caseId }
    const all = i === 0 ? [asked, { ...asked, caseId: null }] : [asked]
    return { asked, keys: all.map((a) => keyOf(document, 'working', a)) }
  })

/** The same of the results, with all their parts. */
export const resultsOf = (document: string) =>
  idsOf(document).map((id) => {
    const asked = { form: 'pdf', asked: { case: id, parts: PARTS } }
    return { asked, keys: [keyOf(document, 'results', asked)] }
  })

function idsOf(document: string): string[] {
  const { loadCases = [], combinations = [] } = JSON.parse(document) as Problem
  return [...loadCases, ...combinations].map(({ id }) => id)
}
