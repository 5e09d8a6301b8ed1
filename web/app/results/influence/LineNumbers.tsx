import {
  alongPath,
  formatNumber,
  lineExtremes,
  patches,
  type InfluenceLine,
  type PathMember,
  type PathStretch,
  type Structure,
} from '@viga/core'
import { useMemo } from 'react'
import { useDisplay } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { lineUnit, perForce, written } from './shown-line'

export interface LineProps {
  structure: Structure
  line: InfluenceLine
  path: readonly PathMember[] | undefined
}

/** The stretches of a line on its path, in their order; undefined where there is no path. */
export function usePath({ structure, line, path }: LineProps): PathStretch[] | undefined {
  return useMemo(() => path && alongPath(structure, line, path), [structure, line, path])
}

/** The place at a distance along a path, as a member and how far along it. */
export function placeWords(
  structure: Structure,
  path: readonly PathMember[],
  x: number,
  perSI: number,
): string {
  const on = [...path].reverse().find((p) => x >= p.from - 1e-9) ?? path[0]
  const m = structure.members[on.member]
  const along = Math.min(m.length, Math.max(0, x - on.from))
  const from = on.reversed ? m.length - along : along
  if (from <= 1e-9) return structure.nodes[m.start].id
  if (from >= m.length - 1e-9) return structure.nodes[m.end].id
  return `${m.id} at ${formatNumber(from * perSI, { figures: 4 })}`
}

/** The greatest and the least value with their places, and the areas between them. */
export function LineNumbers(props: LineProps) {
  const { structure, line, path } = props
  const display = useDisplay()
  const stretches = usePath(props)
  if (!path || !stretches)
    return (
      <p className="prose quiet">
        Along these members nothing can drive from one end to the other: name a path, one member after
        another, for areas, uniform loads and trains.
      </p>
    )
  const { max, min } = lineExtremes(stretches)
  const areas = patches(stretches)
  const sum = (sign: number) =>
    areas.reduce((total, p) => (Math.sign(p.area) === sign ? total + p.area : total), 0)
  const area = (si: number) =>
    formatNumber(perForce(si, line.asked, display) * display.length.perSI, { figures: 4 })
  const unit = lineUnit(line.asked, display)
  return (
    <Block title="Values">
      <table className="t" aria-label="Values of the influence line">
        <thead>
          <tr>
            <th />
            <th className="n">value{unit ? `, ${unit}` : ''}</th>
            <th>where</th>
            <th className="n">
              area, {unit ? `${unit}·` : ''}
              {display.length.unit}
            </th>
          </tr>
        </thead>
        <tbody>
          {(
            [
              ['greatest', max, 1],
              ['least', min, -1],
            ] as const
          ).map(([name, peak, sign]) => (
            <tr key={name}>
              <td>{name}</td>
              <td className="n strong">{written(peak.value, line.asked, display)}</td>
              <td>{peak.value === 0 ? '' : placeWords(structure, path, peak.x, display.length.perSI)}</td>
              <td className="n">{area(sum(sign))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Block>
  )
}
