import { methodChoices, working } from '@viga/core'
import { useMemo } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { useWorkingView } from './working-view'

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
