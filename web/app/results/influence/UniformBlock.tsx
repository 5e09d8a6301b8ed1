import { dimension, formatNumber, keepInfluence, makeReader, patches, type Patch } from '@viga/core'
import { LiveField } from '../../fields/LiveField'
import { useDisplay, useEdit, useSheet } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { placeWords, usePath, type LineProps } from './LineNumbers'
import { unitOf } from './shown-line'

/** A uniform load put where it makes the quantity largest and least, patch by patch. */
export function UniformBlock({ load, ...props }: LineProps & { load: string | undefined }) {
  const { structure, line, path } = props
  const problem = useSheet((s) => s.problem)
  const display = useDisplay()
  const apply = useEdit()
  const stretches = usePath(props)
  if (!path || !stretches) return null
  const { reader } = makeReader(problem.units, problem.symbols)
  const read = load === undefined ? undefined : reader.read(load, dimension.forcePerLength)
  const q = read?.ok ? read.si : 0
  const change = (text: string, merge: string) => {
    const next = text === '' ? undefined : reader.read(text, dimension.forcePerLength)
    if (next && !next.ok) return next.message
    return (
      apply('moving uniform load', (p) => keepInfluence(p, { load: text === '' ? undefined : text }), {
        merge,
        shown: true,
      })?.message ?? null
    )
  }
  const { perSI, unit } = unitOf(line.asked, display)
  const all = patches(stretches)
  const where = ({ from, to }: Patch) =>
    [from, to].map((x) => placeWords(structure, path, x, display.length.perSI)).join(' to ')
  return (
    <Block title="Uniform load">
      <div className="influence-along">
        <span className="quiet">as long as it is worst</span>
        <LiveField
          name="uniform load that may stand anywhere"
          value={load ?? ''}
          placeholder={`5 ${display.distributed.unit}`}
          onChange={change}
          aside
        />
      </div>
      {q !== 0 && (
        <table className="t" aria-label="Worst places of the uniform load">
          <tbody>
            {([1, -1] as const).map((sign) => {
              const these = all.filter((p) => Math.sign(p.area * q) === sign)
              const value = these.reduce((sum, p) => sum + p.area * q, 0)
              return (
                <tr key={sign}>
                  <td>{sign > 0 ? 'greatest' : 'least'}</td>
                  <td className="n strong">
                    {formatNumber(value * perSI, { figures: 4 })} {unit}
                  </td>
                  <td>{these.length > 0 ? these.map(where).join('; ') : 'nowhere'}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      )}
    </Block>
  )
}
