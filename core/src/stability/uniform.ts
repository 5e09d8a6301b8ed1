import { phi } from './field.js'

/**
 * A member of constant axial force and without shear deformation, by the stability functions in closed form.
 * With φ = L·√(|N|/EI), in compression:
 *
 *   D = 2 − 2·cos φ − φ·sin φ,  near = φ·(sin φ − φ·cos φ)/D,  far = φ·(φ − sin φ)/D,
 *   corner = φ²·(1 − cos φ)/D,  across = φ³·sin φ/D;
 *
 * in tension the same with hyperbolic functions. Without an axial force they are 4, 2, 6 and 12.
 * Source: Timoshenko & Gere, Theory of Elastic Stability, ch. 2; Livesley & Chandler, Stability Functions.
 */
export interface StabilityFunctions {
  near: number
  far: number
  corner: number
  across: number
  /** How many critical loads of the member with both ends held lie below. */
  passed: number
  /** The logarithm of the size of D/φ⁴, whose zeros those critical loads are. */
  logDeterminant: number
}

/**
 * Below this z = N·L²/EI in size the functions are summed as series: their closed forms lose digits there.
 */
const SMALL = 4

/** @param z N·L²/EI, negative in compression */
export function stabilityFunctions(z: number): StabilityFunctions {
  if (Math.abs(z) <= SMALL) return bySeries(z)
  return z < 0 ? inCompression(Math.sqrt(-z)) : inTension(Math.sqrt(z))
}

/** D/φ⁴ = f₂² − f₁·f₃ in the series of `phi`; φ² and φ⁴ have cancelled in the others. */
function bySeries(z: number): StabilityFunctions {
  const [f0, f1, f2, f3] = phi(z)
  const det = f2 * f2 - f1 * f3
  return {
    near: (f1 * f2 - f0 * f3) / det,
    far: f3 / det,
    corner: f2 / det,
    across: f1 / det,
    passed: 0,
    logDeterminant: Math.log(Math.abs(det)),
  }
}

function inCompression(p: number): StabilityFunctions {
  const [s, c] = [Math.sin(p), Math.cos(p)]
  const D = 2 - 2 * c - p * s
  return {
    near: (p * (s - p * c)) / D,
    far: (p * (p - s)) / D,
    corner: (p * p * (1 - c)) / D,
    across: (p ** 3 * s) / D,
    passed: passedBelow(p),
    logDeterminant: Math.log(Math.abs(D) / p ** 4),
  }
}

/** Divided by eᵠ throughout, so that long members in tension do not overflow. */
function inTension(p: number): StabilityFunctions {
  const e = Math.exp(-p)
  const s = (1 - e * e) / 2
  const c = (1 + e * e) / 2
  const D = 2 * e - 2 * c + p * s
  return {
    near: (p * (p * c - s)) / D,
    far: (p * (s - p * e)) / D,
    corner: (p * p * (c - e)) / D,
    across: (p ** 3 * s) / D,
    passed: 0,
    logDeterminant: Math.log(Math.abs(D) / p ** 4) + p,
  }
}

/**
 * The modes of a member held at both ends: φ = 2πn with a middle that moves, tan(φ/2) = φ/2 with one that
 * turns.
 */
function passedBelow(p: number): number {
  const x = p / 2
  const n = Math.floor(x / Math.PI)
  if (n === 0) return 0
  const within = x - n * Math.PI
  const turned = within >= Math.PI / 2 || Math.tan(x) > x
  return n + (turned ? n : n - 1)
}
