import { useEffect, useMemo, useState } from 'react'
import { data } from 'react-router'
import type { Problem as Statement } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { ProblemPage } from '../page/ProblemPage'
import { drawsHere } from '../server/busy.server'
import { readText, textById } from '../server/problems.server'
import { useInBrowser } from '../widgets/use-in-browser'
import type { Route } from './+types/problem'

type StoredProblem = Parameters<typeof ProblemPage>[0]['stored']

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Problem'} · Viga` },
]

/** A document with more characters than this goes to the browser as it is kept, which reads and draws it. */
const LARGE = 12_000
/** Beyond this many characters it is asked for by itself: in a page it would keep everybody else waiting. */
const APART = 400_000

export async function loader({ params, context }: Route.LoaderArgs) {
  const found = await textById(context.access.person, params.problemId)
  if (!found) throw data('There is no such problem on the Shelf. It may have been deleted.', { status: 404 })
  const { id, title, revision, changedAt, mayWrite, document } = found
  if (document.length <= LARGE && drawsHere(context)) return { ...readText(found), title }
  return { id, title, revision, changedAt, mayWrite, text: document.length > APART ? null : document }
}

// the open page holds the newest state itself; moving between its parts asks the server nothing
export const shouldRevalidate = ({
  currentParams,
  nextParams,
}: {
  currentParams: { problemId?: string }
  nextParams: { problemId?: string }
}) => currentParams.problemId !== nextParams.problemId

export default function Problem({ loaderData }: Route.ComponentProps) {
  if (loaderData.text === undefined) return <ProblemPage key={loaderData.id} stored={loaderData} />
  return loaderData.text === null ? (
    <Apart key={loaderData.id} id={loaderData.id} />
  ) : (
    <Later key={loaderData.id} {...loaderData} text={loaderData.text} />
  )
}

/** A page that the browser draws alone: the server would keep everybody else waiting for it. */
function Later({ text, ...rest }: { text: string } & Omit<StoredProblem, 'problem'>) {
  const here = useInBrowser()
  const problem = useMemo(() => (here ? carriedOver(JSON.parse(text) as Statement) : undefined), [here, text])
  return problem ? <ProblemPage stored={{ ...rest, problem }} /> : <Arriving />
}

/** A very large problem, asked for by itself. */
function Apart({ id }: { id: string }) {
  const [stored, setStored] = useState<StoredProblem | 'failed'>()
  useEffect(() => {
    const wanted = new AbortController()
    fetch(`/problems/${id}/newer?than=0`, { signal: wanted.signal })
      .then(async (response) => {
        if (!response.ok) throw new Error(response.statusText)
        const found = (await response.json()) as StoredProblem
        setStored({ ...found, problem: carriedOver(found.problem) })
      })
      .catch(() => !wanted.signal.aborted && setStored('failed'))
    return () => wanted.abort()
  }, [id])
  if (stored === 'failed')
    return (
      <p className="arriving" role="alert">
        The problem did not arrive. <a href="">Try again</a>
      </p>
    )
  return stored ? <ProblemPage stored={stored} /> : <Arriving />
}

const Arriving = () => (
  <p className="arriving" role="status">
    The problem is being drawn …
  </p>
)
