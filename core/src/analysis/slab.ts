/** Gives out zeroed arrays of the length asked for. */
export type Take = (length: number) => Float64Array

export const single: Take = (length) => new Float64Array(length)

/**
 * Arrays cut from few large ones: ten thousand members ask for so many small arrays that each would cost more
 * than its numbers.
 */
export function slab(chunk = 36 * 512): Take {
  let room = new Float64Array(chunk)
  let used = 0
  return (length) => {
    if (length > chunk) return new Float64Array(length)
    if (used + length > chunk) {
      room = new Float64Array(chunk)
      used = 0
    }
    used += length
    return room.subarray(used - length, used)
  }
}
