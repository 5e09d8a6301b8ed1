/** A script that stands in the page itself: keeps the keys that are pressed before the others have come. */
export const KEEP_KEYS = 'keysBefore=[];addEventListener("keydown",keepKey=e=>keysBefore.push(e))'

/** Hands over the keys kept so far and ends the keeping. */
export function keysBefore(): KeyboardEvent[] {
  const page = window as { keysBefore?: KeyboardEvent[]; keepKey?: (e: KeyboardEvent) => void } & Window
  if (page.keepKey) page.removeEventListener('keydown', page.keepKey)
  return page.keysBefore ?? []
}
