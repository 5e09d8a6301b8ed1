import { siPerCoherent } from '../quantity/units.js'
import * as D from '../quantity/dimension.js'
import type { Problem } from '../document/types.js'
import type { InfluenceLine } from '../influence/line.js'
import { lineStations } from '../influence/stations.js'
import type { Structure } from '../structure/types.js'

/** The document of `viga influence`: each line at stations of each member, in coherent units. */
export function influenceDocument(
  problem: Problem,
  structure: Structure,
  lines: readonly InfluenceLine[],
  stations: number,
) {
  const { units } = problem
  const perLength = siPerCoherent(units, D.length)
  return {
    format: 'viga-influence',
    version: 1,
    units: { length: units.length, force: units.force },
    lines: lines.map((line) => {
      const per = siPerCoherent(units, line.dimension) / siPerCoherent(units, D.force)
      return {
        quantity: line.asked,
        direction: line.direction,
        members: Object.fromEntries(
          line.members.map((of) => {
            const m = structure.members[of.member]
            const places = lineStations(of, m, stations)
            return [
              m.id,
              places.map(({ x, value }) => ({
                x: x / perLength,
                value: value === null ? null : value / per + 0,
              })),
            ]
          }),
        ),
      }
    }),
  }
}
