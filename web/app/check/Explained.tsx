import { useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Problem } from '@viga/core'
import { answerName } from '@viga/core/statement/answer-words'
import { searchSlip, type Checked } from '../sheet/checker'
import { useSheet } from '../sheet/context'
import { Press } from '../widgets/Press'

/** Quiet time after an edit before slips are looked for, ms. */
const PAUSE_MS = 400

/** What was found for a problem; the search begins anew with each edit of it. */
function useSearch(problem: Problem, wanted: boolean) {
  const [found, setFound] = useState<{ problem: Problem; checked: Checked | undefined }>()
  const [given, giveUp] = useState<Problem>()
  useEffect(() => {
    if (!wanted || given === problem) return
    let stop = () => {}
    const timer = setTimeout(() => {
      stop = searchSlip(problem, (checked) => setFound({ problem, checked }))
    }, PAUSE_MS)
    return () => {
      clearTimeout(timer)
      stop()
    }
  }, [problem, wanted, given])
  const here = found?.problem === problem
  return {
    checked: here ? found.checked : undefined,
    searching: wanted && !here && given !== problem,
    stop: () => giveUp(problem),
  }
}

/** The one slip that explains the sheet, the others that fit as well, and what the values say among themselves. */
export function Explained({ differs }: { differs: number }) {
  const problem = useSheet((s) => s.problem)
  const { checked, searching, stop } = useSearch(problem, (problem.answers ?? []).length > 0)
  const name = (id: string) => {
    const a = problem.answers?.find((o) => o.id === id)
    return a ? answerName(a) : id
  }
  return (
    <>
      {checked && checked.consistency.length > 0 && (
        <section className="explained" aria-label="Among themselves">
          <h2>Among themselves</h2>
          <ul>
            {checked.consistency.map((c, i) => (
              <li key={i}>
                {c.sentence} <span className="quiet">{c.answers.map(name).join(', ')}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {differs > 1 && (
        <section className="explained" aria-label="What explains the sheet" aria-live="polite">
          {searching ? (
            <p className="quiet">
              Looking for one slip behind these values …{' '}
              <Press className="textlink" onClick={stop}>
                Stop
              </Press>
            </p>
          ) : (
            checked && <Slips checked={checked} name={name} />
          )}
        </section>
      )}
    </>
  )
}

function Slips({ checked, name }: { checked: Checked; name: (id: string) => string }) {
  const { problemId } = useParams()
  const [first, ...others] = checked.explanations
  if (!first) return <p className="prose">No single slip explains these values better than chance would.</p>
  const wrong = first.explains.length + first.leaves.length
  return (
    <>
      <h2>
        One slip explains{' '}
        {first.explains.length === wrong
          ? `all ${wrong} values`
          : `${first.explains.length} of ${wrong} values`}
      </h2>
      <p className="prose">{first.sentence}</p>
      <p className="quiet">
        It explains {first.explains.map(name).join(', ')}
        {first.leaves.length > 0 && `; it leaves ${first.leaves.map(name).join(', ')}`}.{' '}
        <Link className="textlink" to={`/problems/${problemId}/working/${first.step}`}>
          Where the roads part in the Working
        </Link>
      </p>
      {others.length > 0 && (
        <details>
          <summary>Others that fit</summary>
          <ul>
            {others.map((e, i) => (
              <li key={i}>{e.sentence}</li>
            ))}
          </ul>
        </details>
      )}
    </>
  )
}
