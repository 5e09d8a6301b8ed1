import { dimension, edit, type Component, type ProblemError, type Support } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { useSheet, useEdit } from '../sheet/context'
import { QuantityField } from '../fields/QuantityField'
import { Settlement } from './Settlement'
import { holdOf, withHold, withSettlement, type HoldChoice } from '@viga/core/statement/supports'

const WORDS: Record<Component, { own: string; turned: string }> = {
  x: { own: 'horizontal', turned: 'own x' },
  y: { own: 'vertical', turned: 'own y' },
  rotation: { own: 'rotation', turned: 'rotation' },
}

type Put = (next: Omit<Support, 'node'>, merge?: string) => ProblemError | null

/** What a support does in each of its directions: held, free or sprung, and by how much it gives way. */
export function SupportDetail({ s }: { s: Support }) {
  const apply = useEdit()
  const truss = useSheet((x) => x.problem.kind === 'truss')
  const cases = useSheet((x) => x.problem.loadCases) ?? []
  const { node, ...rest } = s
  const put: Put = (next, merge) =>
    apply(`support of ${node}`, (p) => edit.setSupport(p, node, next), { merge })
  const components: Component[] = truss ? ['x', 'y'] : ['x', 'y', 'rotation']
  return (
    <div className="detail" role="group" aria-label={`Directions of the support at ${node}`}>
      {components.map((c) => (
        <HoldLine key={c} s={s} c={c} put={put} />
      ))}
      {s.settlement && cases.length > 1 && (
        <div className="detail-line">
          <span className="quiet">in case</span>
          <Pick
            className="cell-select"
            aria-label={`case of the settlement at ${node}`}
            value={s.settlementCase ?? cases[0].id}
            onChange={(e) => put({ ...rest, settlementCase: e.target.value })}
          >
            {cases.map((c) => (
              <option key={c.id} value={c.id}>
                {c.title ?? c.id}
              </option>
            ))}
          </Pick>
        </div>
      )}
    </div>
  )
}

/** One direction of a support: held, with its settlement; free; or a spring, with its stiffness. */
function HoldLine({ s, c, put }: { s: Support; c: Component; put: Put }) {
  const { node, ...rest } = s
  const turns = c === 'rotation'
  const hold = holdOf(s, c)
  const choice: HoldChoice = hold === 'fixed' || hold === 'free' ? hold : 'spring'
  const choose = (to: string) =>
    put(withHold(rest, c, to === 'spring' ? (turns ? '1000 kN*m' : '1000 kN/m') : to))
  return (
    <div className="detail-line">
      <span className="quiet">{s.angle === undefined ? WORDS[c].own : WORDS[c].turned}</span>
      <Pick
        className="cell-select"
        aria-label={`${c} of the support at ${node}`}
        value={choice}
        onChange={(e) => choose(e.target.value)}
      >
        <option value="fixed">held</option>
        <option value="free">free</option>
        <option value="spring">spring</option>
      </Pick>
      {choice === 'spring' && (
        <QuantityField
          name={`spring ${c} at ${node}`}
          value={hold}
          dimension={turns ? dimension.moment : dimension.forcePerLength}
          onChange={(v, merge) => put(withHold(rest, c, v), merge)}
        />
      )}
      {choice === 'fixed' && (
        <Settlement s={s} component={c} put={(v, merge) => put(withSettlement(rest, c, v), merge)} />
      )}
    </div>
  )
}
