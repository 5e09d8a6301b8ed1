import { displayOf, slipKind, type Explanation, type Problem, type Solution, type Version } from '@viga/core'
import { miniScene } from '@viga/drawing/card-figure'
import type { Group } from '@viga/drawing/marks'
import { drawnLoads, loadWords } from '@viga/drawing/words'

/** One of the two versions of what a slip is about, ready for the page: drawn, as a formula, or in words. */
export interface ShownVersion extends Pick<Version, 'title' | 'formula' | 'words'> {
  groups?: Group[]
}

export const VERSION = { width: 250, height: 170 }

/**
 * Both versions of what a slip is about.
 * @param wrong the solution as the slip would have it
 * @param actionId the case or combination whose loads are drawn
 */
export function versionsOf(
  problem: Problem,
  { kind, subject }: Explanation,
  right: Solution,
  wrong: Solution,
  actionId: string | null,
): readonly [taken: ShownVersion, stated: ShownVersion] | undefined {
  const display = displayOf(problem)
  const picture = slipKind(kind)?.picture?.({
    problem,
    subject,
    right: right.structure,
    wrong: wrong.structure,
    display,
    actionId,
  })
  if (!picture) return undefined
  const shown = ({ drawn, load, ...version }: Version): ShownVersion => {
    const sized = load && loadWords(load, display)
    return {
      ...version,
      ...(drawn && {
        groups: miniScene(
          drawn.structure,
          drawnLoads(drawn.structure, new Set(drawn.cases), display),
          VERSION.width,
          VERSION.height,
        ),
      }),
      ...(sized && { words: [sized.main, sized.end, sized.couple].filter(Boolean).join(', ') }),
    }
  }
  return [shown(picture[0]), shown(picture[1])]
}
