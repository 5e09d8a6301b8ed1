import type { working } from '@viga/core'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { useMethods } from './method-list'
import { useFits, useWorkingView } from './working-view'

const NONE: readonly working.Method[] = []

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
  const methods = useMethods(others.length > 0)
  const asked = useMemo(
    () => methods?.filter((m) => others.some(([other]) => other === m.key)) ?? NONE,
    [methods, others],
  )
  const there = useFits(asked)?.filter(({ fit }) => fit.fits) ?? []
  if (!same || there.length === 0) return null
  return (
    <p className="same-elsewhere quiet">
      {same.words}:{' '}
      {there.map(({ method }) => {
        const [, at] = others.find(([m]) => m === method.key)!
        return (
          <Link
            key={method.key}
            className="textlink"
            to={`/problems/${problemId}/working/${method.key}/${at}`}
          >
            {method.title.toLowerCase()}
          </Link>
        )
      })}
    </p>
  )
}
