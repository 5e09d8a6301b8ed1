import * as D from '../quantity/dimension.js'
import { makeReader } from '../quantity/reader.js'
import type { Problem } from '../document/types.js'
import type { TrainLoad } from './train.js'

/** More loads than these are no train of a textbook. */
const MOST_LOADS = 40

/**
 * A train as it is stated: loads and the spacings between them in turn, parted by commas, the first load in
 * front: `80 kN, 4 m, 120 kN`.
 * @returns the loads in SI, or why the text is none
 */
export function readTrain(
  problem: Problem,
  text: string,
): { ok: true; train: TrainLoad[] } | { ok: false; message: string } {
  const { reader } = makeReader(problem.units, problem.symbols)
  const parts = text.split(/[,;]/).map((part) => part.trim())
  if (parts.length % 2 === 0)
    return {
      ok: false,
      message: 'Loads and spacings stand in turn, a load first and last: 80 kN, 4 m, 120 kN.',
    }
  if (parts.length > 2 * MOST_LOADS) return { ok: false, message: `A train has at most ${MOST_LOADS} loads.` }
  const train: TrainLoad[] = []
  let behind = 0
  for (const [i, part] of parts.entries()) {
    const isLoad = i % 2 === 0
    const read = reader.read(part, isLoad ? D.force : D.length)
    if (!read.ok)
      return {
        ok: false,
        message: `${isLoad ? 'Load' : 'Spacing'} ${Math.floor(i / 2) + 1}: ${read.message}`,
      }
    if (isLoad) train.push({ force: read.si, behind })
    else if (read.si < 0) return { ok: false, message: 'A spacing is not negative.' }
    else behind += read.si
  }
  return { ok: true, train }
}
