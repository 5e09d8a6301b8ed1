import { thing, edit, type LoadCase } from '@viga/core'
import { later } from '../widgets/later'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Block, onGridKeys } from '../widgets/Block'
import { useWindowed } from '../fields/windowed'
import { OfThing } from '../fields/of-thing'
import { CaseLine } from './CaseLine'
import { LoadRow } from './LoadRow'
import { LeftRows } from './LeftRows'
import { NewLoad } from './NewLoad'

// the table of factors stands below all loads, and comes after they can be stated
const Combinations = later(async () => (await import('./Combinations')).Combinations)
if (import.meta.env.SSR) await Combinations.fetch()

export function Loads() {
  const store = useSheetStore()
  const apply = useEdit()
  const cases = useSheet((s) => s.problem.loadCases) ?? []
  const actionId = useSheet((s) => s.actionId)
  const together = useSheet((s) => s.together)
  const combination = useSheet((s) => s.problem.combinations?.find((c) => c.id === s.actionId))
  const current = cases.find((c) => c.id === actionId) ?? (combination ? undefined : cases[0])
  return (
    <Block title="Loads">
      <div className="cases">
        {cases.map((c) => (
          <Toggle
            key={c.id}
            type="button"
            on={c.id === current?.id}
            title={c.title}
            onClick={() => store.getState().chooseAction(c.id)}
          >
            {c.title ?? c.id}
          </Toggle>
        ))}
        {cases.length > 1 && (
          <label className="together">
            <Tick checked={together} onChange={(e) => store.setState({ together: e.target.checked })} /> draw
            all
          </label>
        )}
        <Press
          className="another"
          onClick={() =>
            apply('load case', edit.addCase) === null &&
            store.getState().chooseAction(store.getState().problem.loadCases!.at(-1)!.id)
          }
        >
          another case
        </Press>
      </div>
      {current ? (
        <CaseLoads c={current} many={cases.length > 1} />
      ) : (
        <p className="quiet note">
          {combination
            ? `The Figure shows the combination ${combination.id}; choose a case to change its loads.`
            : 'No load case yet.'}
        </p>
      )}
      <Combinations />
    </Block>
  )
}

function CaseLoads({ c, many }: { c: LoadCase; many: boolean }) {
  const { rows, others } = useWindowed(c.loads, (_, i) => thing.load(c.id, i), 6)
  return (
    <table
      className="t"
      data-rows="loads"
      data-case={c.id}
      onKeyDown={onGridKeys}
      style={{ tableLayout: 'fixed' }}
    >
      <thead>
        <tr>
          <th style={{ width: 54 }}>On</th>
          <th style={{ width: 70 }}>Sort</th>
          <th style={{ width: 38 }}>Acts</th>
          <th>Amount</th>
          <th style={{ width: 84 }}>At</th>
          <td style={{ width: 24 }} />
        </tr>
      </thead>
      <tbody>
        {rows.map(({ item: load, i }) => (
          <OfThing key={i} thing={thing.load(c.id, i)}>
            <LoadRow caseId={c.id} index={i} load={load} />
          </OfThing>
        ))}
        {others}
        <LeftRows place={{ table: 'loads', caseId: c.id }} columns={6} />
        <NewLoad caseId={c.id} />
        <CaseLine c={c} many={many} />
      </tbody>
    </table>
  )
}
