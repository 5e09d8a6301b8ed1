import type { Problem } from '@viga/core'

/** The cases whose loads are drawn as stated, or each of them with the factor its loads are drawn with. */
export type CasesShown = ReadonlySet<string> | ReadonlyMap<string, number>

/** The factor of a case's loads: 1 where none is said. */
export const factorOf = (shown: CasesShown, id: string): number => ('get' in shown ? (shown.get(id) ?? 1) : 1)

/** The cases of a case or combination, each with its factor; none where nothing is chosen. */
export function casesShown(
  { combinations }: Pick<Problem, 'combinations'>,
  actionId: string | null,
): ReadonlyMap<string, number> {
  const combination = combinations?.find((c) => c.id === actionId)
  if (combination) return new Map(Object.entries(combination.factors))
  return new Map(actionId === null ? [] : [[actionId, 1]])
}
