import { edit, working } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { Tick } from '../widgets/Tick'
import { useEdit } from '../sheet/context'
import { useWorkingView } from './working-view'

/**
 * How numbers are read: their figures, a common power of ten before matrices, the mirrored half dimmed. Kept
 * with the problem.
 */
export function ReadingMenu() {
  const apply = useEdit()
  const { ledger, reading } = useWorkingView()
  // the other methods write no stiffness matrices
  const ofMatrices = ledger.method.key === 'stiffness'
  const common = ledger.entry('common')
  const bars = ledger.context.structure.members.every((m) => m.bar)
  const set = (change: Partial<working.Reading>) =>
    apply('read otherwise', (p) => edit.setView(p, 'reading', { ...reading, ...change }))
  return (
    <div className="reading">
      <Pick
        className="cell-select"
        aria-label="figures"
        value={reading.figures}
        onChange={(e) => set({ figures: Number(e.target.value) })}
      >
        {working.FIGURES.map((f) => (
          <option key={f} value={f}>
            {f} figures
          </option>
        ))}
      </Pick>
      {ofMatrices && (
        <Pick
          className="cell-select"
          aria-label="factor taken out"
          value={reading.factor === 'common' && !common ? 'none' : reading.factor}
          onChange={(e) => set({ factor: e.target.value as working.FactorChoice })}
        >
          <option value="none">no factor</option>
          <option value="own">{bars ? 'EA/L' : 'EI/L³'} […]</option>
          {common && <option value="common">{working.symbolText(common.symbol)} […]</option>}
        </Pick>
      )}
      {ofMatrices && (
        <label>
          <Tick checked={reading.power} onChange={(e) => set({ power: e.target.checked })} /> power of ten
        </label>
      )}
      {ofMatrices && (
        <label>
          <Tick checked={reading.dimmed} onChange={(e) => set({ dimmed: e.target.checked })} /> mirrored half
          dimmed
        </label>
      )}
    </div>
  )
}
