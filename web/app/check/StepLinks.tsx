import { methodChoices, slipKind, type Explanation } from '@viga/core'
import type { Method } from '@viga/core/methods/method'
import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'

/** A step of a method in which a slip shows first. */
interface StepOfMethod {
  method: Pick<Method, 'key' | 'title'>
  step: string
}

/**
 * The first steps that a slip changes in the methods beside the stiffness method, of those that fit the
 * problem. The code of the methods is fetched when a slip has such steps, since the Check needs none of it.
 */
function useOtherSteps(kind: string): StepOfMethod[] {
  const problem = useSheet((s) => s.problem)
  const structure = useSolved()?.solution.structure
  const [found, setFound] = useState<StepOfMethod[]>([])
  useEffect(() => {
    const lines = Object.entries(slipKind(kind)?.line ?? {}).filter(([key]) => key !== 'stiffness')
    let left = false
    void (async () => {
      if (!structure || lines.length === 0) return setFound([])
      const { methodOf } = await import('@viga/core/methods/list')
      if (left) return
      setFound(
        lines.flatMap(([key, step]) => {
          const method = methodOf(key)
          return method?.fits(problem, structure).fits ? [{ method, step }] : []
        }),
      )
    })()
    return () => {
      left = true
    }
  }, [kind, problem, structure])
  return found
}

/** The way to the first line that a slip changes: by the stiffness method, and by others that fit. */
export function StepLinks({ of, capital }: { of: Explanation; capital?: boolean }) {
  const { problemId } = useParams()
  const others = useOtherSteps(of.kind)
  const worked = useSheet((s) => methodChoices(s.problem).worked)
  const own = others.find((o) => o.method.key === worked)
  const to = (method: string, step: string) => `/problems/${problemId}/working/${method}/${step}`
  const stiffness = { method: { key: 'stiffness', title: 'Stiffness method' }, step: of.step }
  // the method by which the solution was worked comes first
  const [first, ...rest] = own ? [own, stiffness, ...others.filter((o) => o !== own)] : [stiffness, ...others]
  return (
    <>
      <Link className="textlink" to={to(first.method.key, first.step)}>
        {capital ? 'The' : 'the'} first line that differs, in the Working
      </Link>
      {others.length > 0 && ` (${first.method.title.toLowerCase()})`}
      {rest.map(({ method, step }) => (
        <span key={method.key}>
          {', or by '}
          <Link className="textlink" to={to(method.key, step)}>
            {method.title.toLowerCase()}
          </Link>
        </span>
      ))}
    </>
  )
}
