import {
  thing,
  formatPlain,
  scaledLoad,
  withUnit,
  type Display,
  type Problem,
  type StatedLoad,
  type Structure,
} from '@viga/core'
import { loadInLetters } from './letters'
import { factorOf, type CasesShown } from './cases-shown'
import type { DrawnLoad, LoadWords } from './loads'

const abs = Math.abs

/** The labels of loads: magnitudes with units. The arrows show the direction. */
export function loadWords(load: StatedLoad, display: Display): LoadWords {
  switch (load.type) {
    case 'nodal':
    case 'point':
      return {
        main: load.fx === 0 && load.fy === 0 ? '' : withUnit(Math.hypot(load.fx, load.fy), display.force),
        couple: load.m === 0 ? undefined : withUnit(abs(load.m), display.moment),
      }
    case 'distributed':
    case 'couple': {
      const shown =
        load.type === 'couple'
          ? { unit: `${display.moment.unit}/${display.length.unit}`, perSI: display.force.perSI }
          : display.distributed
      const ends = [load.points[0].q, load.points[load.points.length - 1].q]
      if (ends[0] === ends[1]) return { main: withUnit(abs(ends[0]), shown) }
      return {
        main: ends[0] === 0 ? '' : withUnit(abs(ends[0]), shown),
        end: ends[1] === 0 ? '' : withUnit(abs(ends[1]), shown),
      }
    }
    case 'temperature': {
      const parts = [
        load.uniform !== 0 && `${signed(load.uniform)} K`,
        load.gradient !== 0 && `${signed(load.gradient)} K top to bottom`,
      ]
      return { main: parts.filter(Boolean).join(', ') }
    }
    case 'misfit': {
      const parts = [
        load.elongation !== 0 &&
          `${withUnit(abs(load.elongation), display.displacement)} too ` +
            `${load.elongation > 0 ? 'long' : 'short'}`,
        load.slip !== 0 && `slip ${withUnit(abs(load.slip), display.displacement)}`,
        load.kink !== 0 && `kink ${formatPlain(abs(load.kink), 4)} rad`,
      ]
      return { main: parts.filter(Boolean).join(', ') }
    }
  }
}

const signed = (v: number) => `${v > 0 ? '+' : '−'}${formatPlain(abs(v), 4)}`

/**
 * The loads of the shown cases, each times the factor of its case, with their places in the document and
 * their words; of several cases each says its own.
 * @param problem the statement, whose letters stand beside or in place of the values as it asks
 */
export function drawnLoads(
  structure: Structure,
  shown: CasesShown,
  display: Display,
  problem?: Problem,
): DrawnLoad[] {
  const several = structure.cases.filter((c) => shown.has(c.id) && c.loads.length > 0).length > 1
  return structure.cases.flatMap((c, k) => {
    const factor = factorOf(shown, c.id)
    if (!shown.has(c.id) || factor === 0) return []
    return c.loads.map((stated, i) => {
      const load = factor === 1 ? stated : scaledLoad(stated, factor)
      const words = loadWords(load, display)
      const asStated = problem?.loadCases?.[k]?.loads[i]
      return {
        target: thing.load(c.id, i),
        load,
        words: problem ? loadInLetters(problem, asStated, words, factor) : words,
        ...(several && { of: { id: c.id, dash: DASHES[k % DASHES.length] } }),
      }
    })
  })
}

/** Outlines tell cases apart where several are drawn: solid, then broken lines. */
const DASHES: readonly (string | undefined)[] = [undefined, '7 3', '2 2.5', '8 3 2 3']
