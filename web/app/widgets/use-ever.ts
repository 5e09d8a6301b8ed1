import { useState } from 'react'

/** True from the first time that a condition holds: what is fetched for it then stays on the page. */
export function useEver(condition: boolean): boolean {
  const [ever, setEver] = useState(condition)
  if (condition && !ever) setEver(true)
  return ever || condition
}
