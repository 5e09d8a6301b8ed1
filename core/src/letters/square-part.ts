/** Primes up to this are taken out of a square root. */
const LARGEST_PRIME = 2_000
const PRIMES = Array.from({ length: LARGEST_PRIME - 1 }, (_, i) => i + 2)
  .filter(
    (n) => !Array.from({ length: Math.floor(Math.sqrt(n)) - 1 }, (_, i) => i + 2).some((d) => n % d === 0),
  )
  .map(BigInt)

/** A whole number as a square times different primes; what has no small factor counts as a prime. */
export function squarePart(c: bigint): [root: bigint, primes: bigint[]] {
  let root = 1n
  let rest = c
  const primes: bigint[] = []
  for (const p of PRIMES) {
    if (p * p > rest) break
    let times = 0
    for (; rest % p === 0n; times++) rest /= p
    root *= p ** BigInt(times >> 1)
    if (times % 2) primes.push(p)
  }
  if (rest > 1n) {
    const whole = BigInt(Math.round(Math.sqrt(Number(rest))))
    if (whole * whole === rest) root *= whole
    else primes.push(rest)
  }
  return [root, primes]
}
