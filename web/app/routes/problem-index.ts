import { redirect } from 'react-router'
import type { Route } from './+types/problem-index'

export const loader = ({ params }: Route.LoaderArgs) =>
  redirect(`/problems/${encodeURIComponent(params.problemId)}/given`)
