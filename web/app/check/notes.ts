import { checkAnswers, formatNumber, type Answer, type AnswerVerdict } from '@viga/core'
import { useMemo } from 'react'
import { memberLine, onScreen, type View } from '../figure/view'
import { plus, textWidth, vec } from '../figure/marks'
import { again, ring, type Wish } from '../figure/place'
import { useSheet } from '../sheet/context'

/** Every hand answer with its verdict; recomputed with the solution. */
export function useVerdicts(): { answer: Answer; verdict: AnswerVerdict }[] {
  const problem = useSheet((s) => s.problem)
  const outcome = useSheet((s) => s.outcome)
  return useMemo(() => {
    if (outcome.stage !== 'solved' || !problem.answers) return []
    const verdicts = checkAnswers(problem, outcome.solution)
    return problem.answers.map((answer, i) => ({ answer, verdict: verdicts[i] }))
  }, [problem, outcome])
}

const SIGNS = { agrees: '=', differs: '≠', unknown: '?' }

/** The hand values at their places on the Figure, with their verdicts; those of the shown case. */
export function useCheckNotes(view: View | null): Wish[] | undefined {
  const all = useVerdicts()
  const actionId = useSheet((s) => s.actionId)
  const first = useSheet((s) => s.problem.loadCases?.[0]?.id)
  const outcome = useSheet((s) => s.outcome)
  return useMemo(() => {
    if (!view || outcome.stage !== 'solved') return undefined
    const { structure: s } = outcome.solution
    return all
      .filter(({ answer }) => (answer.case ?? first) === actionId && answer.quantity !== 'stiffness')
      .flatMap(({ answer: a, verdict: v }): Wish[] => {
        const node = s.nodes.find((n) => n.id === a.node)
        const member = s.members.find((m) => m.id === a.member)
        const opposite = v.diagnosis?.kind === 'opposite-sign'
        const text = `${opposite ? '±' : SIGNS[v.verdict]} ${v.given === null ? String(a.value) : formatNumber(v.given)}`
        const w = textWidth(text, 13)
        const at = node ? onScreen(view, node.x, node.y) : member ? placeOn(a, member) : null
        if (!at) return []
        return [{ key: `c${a.id}`, target: `answer:${a.id}`, mark: { t: 'text', text, size: 13, serif: true, italic: true, fill: opposite ? 'load' : v.verdict === 'differs' ? 'pencil' : 'ink-2', halo: true }, candidates: again(() => ring(at, vec(0.7, 0.7), [24, 38, 54, 70], w, 11)), about: { c: at, r: 80 }, clear: 3 }]
      })

    function placeOn(a: Answer, m: (typeof s.members)[number]) {
      const l = memberLine(s, view!, m)
      const percent = /^([\d.]+)\s*%$/.exec(String(a.at ?? '50%').trim())
      const f = percent ? Number(percent[1]) / 100 : a.at === 0 ? 0 : 0.5
      return plus(l.a, l.dir, f * l.px)
    }
  }, [all, view, actionId, first, outcome])
}
