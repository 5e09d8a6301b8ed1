import { useMemo } from 'react'
import { useScheme } from '../theme/scheme'

/** The inks of the page as charts need them: by value, since they compute with them. */
export function useInks(): { ink: string; cedar: string } {
  const [scheme] = useScheme()
  return useMemo(() => {
    void scheme
    const style = getComputedStyle(document.documentElement)
    const value = (name: string) => style.getPropertyValue(name).trim()
    return { ink: value('--ink'), cedar: value('--cedar') }
  }, [scheme])
}
