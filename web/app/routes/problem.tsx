import { useMemo } from 'react'
import { data } from 'react-router'
import type { Problem as Statement } from '@viga/core'
import { carriedOver } from '@viga/core/document/carry-over'
import { ProblemPage } from '../page/ProblemPage'
import { drawsHere } from '../server/busy.server'
import { readText, textById } from '../server/problems.server'
import { useInBrowser } from '../widgets/use-in-browser'
import type { Route } from './+types/problem'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Problem'} · Viga` },
]

/** A document with more characters than this goes to the browser as it is kept, which reads and draws it. */
const LARGE = 12_000

export async function loader({ params, context }: Route.LoaderArgs) {
  const found = await textById(context.access.person, params.problemId)
  if (!found) throw data('There is no such problem on the Shelf. It may have been deleted.', { status: 404 })
  const { id, title, revision, changedAt, mayWrite, document } = found
  return document.length <= LARGE && drawsHere(context)
    ? { ...readText(found), title }
    : { id, title, revision, changedAt, mayWrite, text: document }
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
  return loaderData.text !== undefined ? (
    <Later key={loaderData.id} {...loaderData} />
  ) : (
    <ProblemPage key={loaderData.id} stored={loaderData} />
  )
}

/** A page that the browser draws alone: the server would keep everybody else waiting for it. */
function Later({
  text,
  ...rest
}: { text: string } & Omit<Parameters<typeof ProblemPage>[0]['stored'], 'problem'>) {
  const here = useInBrowser()
  const problem = useMemo(() => (here ? carriedOver(JSON.parse(text) as Statement) : undefined), [here, text])
  return problem ? (
    <ProblemPage stored={{ ...rest, problem }} />
  ) : (
    <p className="arriving" role="status">
      The problem is being drawn …
    </p>
  )
}
