/** "A", "A and B", "A, B and C"; long lists are cut with a count. */
export function listed(ids: string[], limit = 8): string {
  const shown = ids.length > limit ? [...ids.slice(0, limit - 1), `${ids.length - limit + 1} more`] : ids
  return shown.length < 2
    ? (shown[0] ?? '')
    : `${shown.slice(0, -1).join(', ')} and ${shown[shown.length - 1]}`
}
