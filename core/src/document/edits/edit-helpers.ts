/** Filters a list and returns the same list when nothing is removed. */
export function keep<T>(list: T[], test: (item: T) => boolean): T[] {
  return list.every(test) ? list : list.filter(test)
}

/** Applies a change to a record. Keys whose new value is undefined are removed. */
export function assign(target: object, change: object) {
  for (const [key, v] of Object.entries(change))
    if (v === undefined) delete (target as Record<string, unknown>)[key]
    else (target as Record<string, unknown>)[key] = v
}
