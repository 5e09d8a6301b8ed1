import { freeId } from '@viga/core'

/** "Title", then "Title, copy 1", "Title, copy 2" … */
export const copyTitle = (title: string, taken: string[]): string =>
  freeId(taken, `${title.replace(/, copy \d+$/, '').slice(0, 280)}, copy `)
