/** Returns a zeroed array of the given length. */
export type Take = (length: number) => Float64Array

export const single: Take = (length) => new Float64Array(length)

/**
 * Allocates small arrays as views of a few large ones. With ten thousand members, separate small arrays cost
 * more than the numbers in them.
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
