import { determinacy, working } from '@viga/core'
import { useSheetStore } from '../sheet/context'
import { NumberMark } from './NumberMark'
import { componentWords, type StepProps } from './step'

export function UnknownsStep({ solution }: StepProps) {
  const store = useSheetStore()
  const all = working.unknowns(solution)
  const free = all.filter((u) => u.free)
  const count = determinacy(solution.structure, solution.dofs)
  const truss = solution.structure.kind === 'truss'
  const spinning = solution.structure.nodes.filter((_, n) => !truss && solution.dofs.of[3 * n] >= 0 && solution.dofs.of[3 * n + 2] < 0).map((n) => n.id)
  return (
    <>
      <h1>Unknowns</h1>
      <p className="prose">
        Each joint moves along x and y{truss ? '' : ' and turns'}: {all.length} degrees of freedom. {free.length === 1 ? 'One is' : `${free.length} are`} free and found by solving; {all.length - free.length} {all.length - free.length === 1 ? 'is' : 'are'} held by supports. Free ones are numbered first.
      </p>
      {spinning.length > 0 && <p className="prose">Every member end at {spinning.join(', ')} is hinged, so {spinning.length > 1 ? 'their' : 'its'} rotation is no unknown: it is left out and has no value.</p>}
      <table className="t unknown-table">
        <thead>
          <tr>
            <th style={{ width: 48 }}>Joint</th>
            <th>x</th>
            <th>y</th>
            {!truss && <th>rotation</th>}
          </tr>
        </thead>
        <tbody>
          {solution.structure.nodes.map((n, i) => {
            if (solution.dofs.of[3 * i] < 0) return null
            return (
              <tr key={n.id} onMouseEnter={() => store.getState().point(`node:${n.id}`)} onMouseLeave={() => store.getState().point(null)}>
                <td>
                  <i>{n.id}</i>
                </td>
                {(['x', 'y', 'rotation'] as const).slice(0, truss ? 2 : 3).map((c, j) => {
                  const d = solution.dofs.of[3 * i + j]
                  return (
                    <td key={c}>
                      {d < 0 ? (
                        <span className="quiet">not defined</span>
                      ) : (
                        <>
                          <NumberMark n={d + 1} free={all[d].free} /> <span className="quiet">{all[d].free ? componentWords[c] : 'held'}</span>
                        </>
                      )}
                    </td>
                  )
                })}
              </tr>
            )
          })}
        </tbody>
      </table>
      <h2 className="sub">Count</h2>
      <p className="prose">
        {count.reactions} reactions + {count.memberForces} member forces{count.releases > 0 ? ` − ${count.releases} released` : ''} − {count.equations} equations of equilibrium = <b>{count.degree}</b>:{' '}
        {count.degree === 0 ? 'statically determinate.' : `${count.degree} redundant${count.degree > 1 ? 's' : ''}, statically indeterminate.`}
      </p>
    </>
  )
}
