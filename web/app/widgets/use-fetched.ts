import { useEffect, useState } from 'react'

/**
 * A function whose script is fetched when it is first asked for.
 * @param on whether it is asked for
 * @param fetch fetches it; the same function each time
 * @returns the function; undefined until it is there
 */
export function useFetched<F>(on: boolean, fetch: () => Promise<F>): F | undefined {
  const [found, setFound] = useState<{ f: F }>()
  useEffect(() => {
    if (on && !found) void fetch().then((f) => setFound({ f }))
  }, [on, found, fetch])
  return found?.f
}
