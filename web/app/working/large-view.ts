import { later } from '../widgets/later'

/** A matrix in a window of its own, which a textbook problem has no use for. */
export const LargeMatrix = later(async () => (await import('./LargeMatrix')).LargeMatrix)
