import { fetchAll, later } from '../widgets/later'

// What only a drawing hand needs; fetched with the edits it makes.
export const TypedStep = later(async () => (await import('./TypedStep')).TypedStep)
export const MovingView = later(async () => (await import('./MovingView')).MovingView)

// A drawing of thousands of members, which no textbook has.
export const LargeScene = later(async () => (await import('./LargeScene')).LargeScene)

if (import.meta.env.SSR) await fetchAll(TypedStep, LargeScene)
