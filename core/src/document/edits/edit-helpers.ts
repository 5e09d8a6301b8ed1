/** Without this the list would be a new one even when nothing is taken out. */
export function keep<T>(list: T[], test: (item: T) => boolean): T[] {
  return list.every(test) ? list : list.filter(test)
}

/** Sets what a change says, and takes out what it says is undefined. */
export function assign(target: object, change: object) {
  for (const [key, v] of Object.entries(change))
    if (v === undefined) delete (target as Record<string, unknown>)[key]
    else (target as Record<string, unknown>)[key] = v
}
