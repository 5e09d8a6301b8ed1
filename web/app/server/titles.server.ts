import { freeId } from '@viga/core'

/** The title of what a copy is a copy of: "Title" for "Title, copy 2". */
export const withoutCopy = (title: string): string => title.replace(/, copy \d+$/, '')

/** "Title", then "Title, copy 1", "Title, copy 2" … */
export const copyTitle = (title: string, taken: string[]): string =>
  freeId(taken, `${withoutCopy(title).slice(0, 280)}, copy `)
