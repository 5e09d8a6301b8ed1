import type { ThingKey } from '@viga/core'
import { createContext, useContext, useMemo, type ReactNode } from 'react'
import { labelOfThing } from '../sheet/drafts'

/** The thing whose fields these are, and the label that their names end with. */
const ThingContext = createContext<{ thing: ThingKey; label: string } | undefined>(undefined)

export const useThing = () => useContext(ThingContext)

/** Fields inside belong to a thing: what is typed there goes along with it. */
export function OfThing({ thing, children }: { thing: ThingKey; children: ReactNode }) {
  const value = useMemo(() => ({ thing, label: labelOfThing(thing) }), [thing])
  return <ThingContext.Provider value={value}>{children}</ThingContext.Provider>
}
