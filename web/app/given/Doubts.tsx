import { thing, doubts, type Doubt } from '@viga/core'
import { useDeferredValue, useMemo } from 'react'
import { Press } from '../widgets/Press'
import { useUnread } from '../fields/LastReadable'
import { useSheet, useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'

const placesOf = (d: { nodes?: string[]; members?: string[] }) =>
  targetOf([
    ...(d.members ?? []).map((m) => thing.member(m)),
    ...(d.nodes ?? []).map((n) => thing.node(n)),
  ]) || null

/**
 * What keeps the problem from being solved, and what is doubtful; each line selects its place and offers its
 * repair.
 */
export function Doubts() {
  const outcome = useSheet((s) => s.outcome)
  const problem = useDeferredValue(useSheet((s) => s.problem))
  const found = useMemo(() => doubts(problem), [problem])
  const texts = useUnread()
  if (outcome.stage === 'invalid') return null
  const unsolved =
    outcome.stage === 'unsolved' && outcome.structure.members.length > 0 ? outcome.error : undefined
  // a doubt that says the same as a notice, with a repair, takes its place
  const notices = outcome.notices.filter((n) => !found.some((d) => d.path === n.path))
  // with no support at all, everything moves: the sentence on the supports says it better
  const explained = unsolved?.kind === 'mechanism' && found.some((d) => d.kind === 'unsupported' && d.repair)
  if (!unsolved && notices.length + found.length + texts.length === 0) return null
  return (
    <section className="doubts" aria-label="Doubtful" aria-live="polite">
      {texts.map((t) => (
        <Unread key={t.key} field={t.field} text={t.text} message={t.message} />
      ))}
      {unsolved && !explained && (
        <Line severity="error" message={unsolved.message} target={placesOf(unsolved)} />
      )}
      {found.map((d) => (
        <Line
          key={`${d.kind} ${d.path} ${d.message}`}
          severity={d.severity}
          message={d.message}
          target={placesOf(d)}
          repair={d.repair}
        />
      ))}
      {notices.map((n, i) => (
        <Line key={i} severity="note" message={n.message} target={null} />
      ))}
    </section>
  )
}

/** A text that cannot be read: what stands where, why, and the way there. */
function Unread({ field, text, message }: { field: string; text: string; message: string }) {
  const there = () => {
    const input = document.querySelector<HTMLElement>(`input[aria-label="${CSS.escape(field)}"]`)
    input?.scrollIntoView({ block: 'center' })
    input?.focus()
  }
  return (
    <p className="error">
      <Press className="say" onClick={there}>
        {field}: “{text}” is not read. {message}
      </Press>
    </p>
  )
}

function Line({
  severity,
  message,
  target,
  repair,
}: {
  severity: Doubt['severity']
  message: string
  target: string | null
  repair?: Doubt['repair']
}) {
  const store = useSheetStore()
  return (
    <p
      className={severity}
      onMouseEnter={() => store.getState().point(target)}
      onMouseLeave={() => store.getState().point(null)}
    >
      {target ? (
        <Press className="say" onClick={() => store.getState().select(target)}>
          {message}
        </Press>
      ) : (
        message
      )}
      {repair && (
        <Press
          className="mend"
          onClick={() => store.getState().edit(repair.label.toLowerCase(), repair.apply, { select: null })}
        >
          {repair.label}
        </Press>
      )}
    </p>
  )
}
