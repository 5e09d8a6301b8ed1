import { working } from '@viga/core'

/** A matrix of more rows or columns than this stands in a window of its own. */
export const WHOLE = 30

/** The power of ten of the entries on the diagonal of K, the largest of it. */
export const powerOfLarge = (ledger: working.StiffnessBook): number =>
  working.commonPower([
    ledger.context.solution.dofs.list.map(
      (_, i) => ledger.entry(working.addressOf('K', i + 1, i + 1))!.value,
    ),
  ])
