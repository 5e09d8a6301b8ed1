import { methodChoices, working } from '@viga/core'
import { useMemo } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { useFits, useWorkingView } from './working-view'

/** The lines of other methods that say what an opened number says, each with the way there. */
export function SameElsewhere({ address }: { address: string }) {
  const { ledger } = useWorkingView()
  const { problemId } = useParams()
  const [params] = useSearchParams()
  const problem = useSheet((s) => s.problem)
  const solution = useSolved()?.solution
  const found = useMemo(() => {
    if (!solution) return undefined
    const { structure, dofs } = solution
    const options = methodChoices(problem)
    const redundants = options.redundants ?? working.proposedRedundants(problem, structure)
    const same = working.sameElsewhere({ structure, dofs, redundants }, ledger.method.key, address)
    if (!same) return undefined
    const lines = same.lines.flatMap((line) => {
      const method = working.methodOf(line.method)!
      return method.fits(problem, structure, options).fits ? [{ ...line, title: method.title }] : []
    })
    return lines.length > 0 ? { title: same.title, lines } : undefined
  }, [solution, problem, ledger, address])
  if (!found) return null
  return (
    <p className="same-elsewhere quiet">
      The same {found.title} by{' '}
      {found.lines.map((l, i) => {
        const search = new URLSearchParams(params)
        search.set('open', l.address)
        return (
          <span key={`${l.method} ${l.address}`}>
            {i > 0 && ', '}
            <Link
              className="textlink"
              to={{ pathname: `/problems/${problemId}/working/${l.method}/${l.step}`, search: `?${search}` }}
            >
              {l.title.toLowerCase()}
            </Link>
          </span>
        )
      })}
    </p>
  )
}

/** Steps that say the same thing by different methods, in words. */
const SAME_STEPS: readonly { words: string; steps: readonly (readonly [method: string, step: string])[] }[] =
  [
    {
      words: 'An equation of a joint or a sway is a row of K·D = P',
      steps: [
        ['slope-deflection', 'equilibrium'],
        ['stiffness', 'solution'],
      ],
    },
  ]

/** The step of another method that says what this one says, where that method fits. */
export function SameStep({ step }: { step: string }) {
  const { ledger } = useWorkingView()
  const { problemId } = useParams()
  const { key } = ledger.method
  const same = SAME_STEPS.find((s) => s.steps.some(([m, at]) => m === key && at === step))
  const others = useMemo(() => same?.steps.filter(([m]) => m !== key) ?? [], [same, key])
  const asked = useMemo(() => others.map(([m]) => working.methodOf(m)!), [others])
  const fits = useFits(asked)
  const there = others.filter((_, i) => fits?.[i]?.fit.fits)
  if (!same || there.length === 0) return null
  return (
    <p className="same-elsewhere quiet">
      {same.words}:{' '}
      {there.map(([m, at]) => (
        <Link key={m} className="textlink" to={`/problems/${problemId}/working/${m}/${at}`}>
          {working.methodOf(m)!.title.toLowerCase()}
        </Link>
      ))}
    </p>
  )
}
