import { useSheet, useSheetStore } from '../sheet/context'

/** What keeps the problem from being solved, and what is worth a second look; each line points at its place. */
export function Doubts() {
  const store = useSheetStore()
  const outcome = useSheet((s) => s.outcome)
  if (outcome.stage === 'invalid') return null
  const { notices } = outcome
  const unsolved = outcome.stage === 'unsolved' && outcome.structure.members.length > 0 ? outcome.error : undefined
  if (!unsolved && notices.length === 0) return null
  const target = unsolved ? [...(unsolved.members ?? []).map((m) => `member:${m}`), ...(unsolved.nodes ?? []).map((n) => `node:${n}`)].join('+') : null
  return (
    <section className="doubts" aria-label="Doubtful" aria-live="polite">
      {unsolved && (
        <p className="pencil" onMouseEnter={() => store.getState().point(target)} onMouseLeave={() => store.getState().point(null)}>
          {unsolved.message}
        </p>
      )}
      {notices.map((n, i) => (
        <p key={i} className="quiet">
          {n.message}
        </p>
      ))}
    </section>
  )
}
