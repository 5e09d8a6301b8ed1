import { later } from '../widgets/later'

/** The elimination by hand, which shows blocks and what blocks have of their own. */
export const ByHand = later(async () => (await import('./ByHand')).ByHand)

if (import.meta.env.SSR) await ByHand.fetch()
