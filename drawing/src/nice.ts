/** The largest of 1, 2, 5 times a power of ten that is not above x. */
export function niceBelow(x: number): number {
  if (!(x > 0) || !Number.isFinite(x)) return 1
  const p = 10 ** Math.floor(Math.log10(x))
  return (x / p >= 5 ? 5 : x / p >= 2 ? 2 : 1) * p
}
