import LinearProgress from '@mui/material/LinearProgress'
import {
  answerDimension,
  answerName,
  formatNumber,
  inSolutionOrder,
  siPerCoherent,
  solutionStep,
  type Answer,
  type Explanation,
} from '@viga/core'
import { answerValueText } from '@viga/core/statement/answer-value'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import type { Checked } from '../sheet/results-view'
import { useSheet, useSolved } from '../sheet/context'
import { MiniFigure } from '../figure/MiniFigure'
import { Formula } from '../widgets/Formula'
import { Press } from '../widgets/Press'
import { AnswerName } from './AnswerName'
import { reaches, useShows } from './shows'
import { StepLinks } from './StepLinks'
import { useSearch } from './use-search'
import { useRedrawn, useSlip, type Slipped } from './use-slip'
import { VERSION, versionsOf, type ShownVersion } from './versions'
import type { JudgedAnswer } from './verdicts'

/**
 * The one slip that explains the sheet, the others that fit as well, and what the values say among
 * themselves.
 */
export function Explained({ rows }: { rows: readonly JudgedAnswer[] }) {
  useRedrawn()
  const answers = useSheet((s) => s.problem.answers) ?? []
  const shows = useShows()
  const differ = rows.filter((r) => ['differs', 'follows'].includes(r.verdict.verdict))
  const { checked, searching, tried, stop } = useSearch(answers.length > 0)
  const name = (id: string) => {
    const a = answers.find((o) => o.id === id)
    return a ? answerName(a) : id
  }
  if (!reaches(shows, 'place')) return null
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
      {differ.length > 0 && (
        <section className="explained" aria-label="What explains the sheet" aria-live="polite">
          {searching && differ.length > 1 ? (
            <Searching tried={tried} stop={stop} />
          ) : (
            checked && <Slips checked={checked} name={name} differ={differ.map((r) => r.answer)} />
          )}
        </section>
      )}
    </>
  )
}

/** How far the search has come, and the way to give it up. */
const Searching = ({ tried, stop }: { tried: number; stop: () => void }) => (
  <div className="searching">
    <p className="quiet">
      Looking for the slip behind these values …{' '}
      <Press className="textlink" onClick={stop}>
        Stop
      </Press>
    </p>
    <LinearProgress variant="determinate" value={100 * tried} aria-label="slips tried" />
  </div>
)

interface Found {
  checked: Checked
  name: (id: string) => string
  differ: readonly Answer[]
}

function Slips({ checked, name, differ }: Found) {
  const shows = useShows()
  const slip = useSlip()
  const [first, ...others] = checked.explanations
  if (!first) return <FirstDifference differ={differ} />
  const wrong = first.explains.length + first.leaves.length
  if (!reaches(shows, 'slip'))
    return (
      <>
        <h2>
          {first.slips ? 'Two slips are' : first.wrong ? 'One wrong value is' : 'One slip is'} behind{' '}
          {wrong === 1 ? 'this value' : 'these values'}
        </h2>
        <p className="prose">
          Look at <StepLinks of={first} />.
        </p>
      </>
    )
  return (
    <>
      <h2>{headOf(first)}</h2>
      <Reason of={first} />
      {slip && <BothVersions slip={slip} />}
      {slip && <SlipValues slip={slip} />}
      <p className="quiet">
        {first.leaves.length > 0 && `It leaves ${first.leaves.map(name).join(', ')}. `}
        <StepLinks of={first} capital />
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

/** An explanation in words: the slip, both slips, or the wrong value and those that follow. */
function Reason({ of: e }: { of: Explanation }) {
  return e.wrong ? (
    <p className="prose">
      <Named id={e.wrong} /> is wrong.{' '}
      {e.follow!.map((id, i) => (
        <span key={id}>
          {i > 0 && (i === e.follow!.length - 1 ? ' and ' : ', ')}
          <Named id={id} />
        </span>
      ))}{' '}
      {e.follow!.length === 1 ? 'is what it gives' : 'are what it gives'} by equilibrium and by the equations
      of the members.
    </p>
  ) : e.slips ? (
    <ol className="prose">
      {e.slips.map((s) => (
        <li key={s.sentence}>{capital(s.sentence.replace(/^Your values fit /, ''))}</li>
      ))}
    </ol>
  ) : (
    <p className="prose">{e.sentence}</p>
  )
}

const capital = (text: string) => text[0].toUpperCase() + text.slice(1)

/** The name of an answer, as its row has it. */
function Named({ id }: { id: string }) {
  const a = useSheet((s) => s.problem.answers?.find((o) => o.id === id))
  return a ? <AnswerName a={a} /> : <>{id}</>
}

/** How many of the wrong values an explanation explains, and by what. */
function headOf({ explains, leaves, slips, wrong: origin, follow }: Explanation): string {
  const wrong = explains.length + leaves.length
  if (origin) return `One value is wrong, and ${follow!.length} follow from it`
  const which =
    wrong === 1
      ? 'this value'
      : explains.length < wrong
        ? `${explains.length} of ${wrong} values`
        : wrong === 2
          ? 'both values'
          : `all ${wrong} values`
  return slips ? `Two slips together explain ${which}` : `One slip explains ${which}`
}

/** Where nothing stands out: the value that comes first in the order of the solution. */
function FirstDifference({ differ }: { differ: readonly Answer[] }) {
  const problem = useSheet((s) => s.problem)
  const [first] = inSolutionOrder(problem, differ)
  const { problemId } = useParams()
  return (
    <p className="prose">
      {differ.length > 1 && 'No slip, and no two slips together, explain these values better than chance. '}
      {differ.length > 1
        ? 'The first that differs in the order of the solution is '
        : 'Its place in the solution: '}
      <AnswerName a={first} />,{' '}
      <Link
        className="textlink"
        to={`/problems/${problemId}/working/stiffness/${solutionStep(problem, first)}`}
      >
        found here in the Working
      </Link>
      .
    </p>
  )
}

/** The two versions side by side. */
function BothVersions({ slip }: { slip: Slipped }) {
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const solved = useSolved()
  const versions = useMemo(
    () => solved && versionsOf(problem, slip.explanation, solved.solution, slip.solution, actionId),
    [problem, slip, solved, actionId],
  )
  if (!versions) return null
  return (
    <div className="versions">
      {versions.map((v, i) => (
        <OneVersion key={v.title} version={v} wrong={i === 0} />
      ))}
    </div>
  )
}

const OneVersion = ({ version, wrong }: { version: ShownVersion; wrong: boolean }) => (
  <figure className={wrong ? 'taken' : undefined}>
    <figcaption className="quiet">{version.title}</figcaption>
    {version.groups && <MiniFigure groups={version.groups} {...VERSION} label={version.title} />}
    {version.formula && <Formula {...version.formula} />}
    {version.words && <p className="prose">{version.words}</p>}
  </figure>
)

/** The explained values: as they were found, as the slip gives them, and as they are. */
function SlipValues({ slip }: { slip: Slipped }) {
  const problem = useSheet((s) => s.problem)
  const solved = useSolved()
  const shows = useShows()
  const rows = slip.explanation.explains.flatMap((id) => {
    const a = problem.answers?.find((o) => o.id === id)
    const [value] = (a && slip.read(a)) ?? []
    return a && value !== undefined
      ? [{ a, value: value / siPerCoherent(problem.units, answerDimension(a)) }]
      : []
  })
  if (!solved || rows.length === 0) return null
  return (
    <table className="t slip-values">
      <thead>
        <tr>
          <th>Explains</th>
          <th className="n">yours</th>
          <th className="n">with the slip</th>
          {reaches(shows, 'value') && <th className="n">without it</th>}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ a, value }) => (
          <SlipRow key={a.id} a={a} value={value} />
        ))}
      </tbody>
    </table>
  )
}

function SlipRow({ a, value }: { a: Answer; value: number }) {
  const shows = useShows()
  const verdict = useSheet((s) => s.checked?.found?.answers.find((v) => v.id === a.id))
  return (
    <tr>
      <td>
        <AnswerName a={a} />
      </td>
      <td className="n hand pencil">{answerValueText(a)}</td>
      <td className="n">{formatNumber(value)}</td>
      {reaches(shows, 'value') && (
        <td className="n strong">{verdict?.computed == null ? '' : formatNumber(verdict.computed)}</td>
      )}
    </tr>
  )
}
