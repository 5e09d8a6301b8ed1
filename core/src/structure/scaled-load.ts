import type { StatedLoad } from './types.js'

/** A load with every amount multiplied; its place stays. */
export function scaledLoad(l: StatedLoad, factor: number): StatedLoad {
  switch (l.type) {
    case 'nodal':
    case 'point':
      return { ...l, fx: factor * l.fx, fy: factor * l.fy, m: factor * l.m, polar: undefined }
    case 'distributed':
    case 'couple':
      return { ...l, points: l.points.map((p) => ({ ...p, q: factor * p.q })) }
    case 'temperature':
      return { ...l, uniform: factor * l.uniform, gradient: factor * l.gradient }
    case 'misfit':
      return {
        ...l,
        elongation: factor * l.elongation,
        slip: factor * l.slip,
        kink: factor * l.kink,
      }
  }
}
