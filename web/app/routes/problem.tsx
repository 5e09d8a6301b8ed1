import { data } from 'react-router'
import { problemById } from '../server/problems.server'
import { ProblemPage } from '../page/ProblemPage'
import type { Route } from './+types/problem'

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.problem.title ?? 'Problem'} · Viga` },
]

export async function loader({ params }: Route.LoaderArgs) {
  const found = await problemById(params.problemId)
  if (!found)
    throw data('There is no such problem on the Shelf. It may have been taken off.', { status: 404 })
  return found
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
  return <ProblemPage key={loaderData.id} stored={loaderData} />
}
