import type { Actions } from '../structure/actions.js'
import { caseActions, combineActions } from '../structure/case-actions.js'
import type { Structure } from '../structure/types.js'
import type { Acting } from './numbers.js'

/** The actions of a case, or of a combination with its factors. */
export function actionsOf(s: Structure, acting: Acting): Actions {
  const parts = s.cases.flatMap((c, i) => {
    const factor = acting.factors.get(c.id)
    return factor ? [{ factor, actions: caseActions(s, i) }] : []
  })
  return combineActions(s, parts)
}
