import { Toggle } from '../widgets/Toggle'
import { useSheet, useSheetStore } from '../sheet/context'

/** Which case or combination the numbers belong to. Nothing when there is but one. */
export function CaseChoice() {
  const store = useSheetStore()
  const cases = useSheet((s) => s.problem.loadCases) ?? []
  const combinations = useSheet((s) => s.problem.combinations) ?? []
  const actionId = useSheet((s) => s.actionId)
  if (cases.length + combinations.length < 2) return null
  return (
    <div className="case-choice" role="group" aria-label="Load case or combination">
      {[...cases, ...combinations].map((c, i) => (
        <Toggle
          key={c.id}
          type="button"
          on={c.id === actionId}
          className={i === cases.length ? 'first-combination' : undefined}
          title={
            'factors' in c
              ? Object.entries(c.factors)
                  .map(([k, f]) => `${f} ${k}`)
                  .join(' + ')
              : c.id
          }
          onClick={() => store.getState().chooseAction(c.id)}
        >
          {c.title ?? c.id}
        </Toggle>
      ))}
    </div>
  )
}
