import { lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react'

/**
 * A part of the page with a script of its own, which comes when the part is shown or `fetch` is called. Once
 * it is there it is shown without the pause that `lazy` makes. The server awaits `fetch` before it shows the
 * part: one that it sent later would bring its styles where the browser does not expect them.
 * @param load fetches the part
 * @param meanwhile what stands in its place until then
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, meanwhile?: ReactNode) {
  let there: ComponentType<P> | undefined
  let coming: Promise<ComponentType<P>> | undefined
  const fetch = () =>
    (coming ??= load().then(
      (part) => (there = part),
      (error: unknown) => {
        // it is asked for again when it is needed again
        coming = undefined
        throw error
      },
    ))
  const Awaited = lazy(async () => ({ default: await fetch() }))
  function Later(props: P) {
    const [Shown] = useState<ComponentType<P>>(() => there ?? Awaited)
    return (
      <Suspense fallback={meanwhile}>
        <Shown {...props} />
      </Suspense>
    )
  }
  return Object.assign(Later, { fetch })
}

interface Fetched {
  fetch: () => Promise<unknown>
}

export const fetchAll = (...parts: readonly Fetched[]) => Promise.all(parts.map((p) => p.fetch()))

/** Fetches parts ahead of their turn; one that does not come is asked for again when it is shown. */
export const fetchAhead = (...parts: readonly Fetched[]) => void fetchAll(...parts).catch(() => {})
