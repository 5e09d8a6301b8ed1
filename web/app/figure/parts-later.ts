import { later } from '../widgets/later'

// What only a drawing hand needs; fetched with the edits it makes.
export const TypedStep = later(async () => (await import('./TypedStep')).TypedStep)
export const MovingView = later(async () => (await import('./MovingView')).MovingView)

if (import.meta.env.SSR) await TypedStep.fetch()
