import { keepMethodChoices, methodChoices, thing, working, type Asked, type Solution } from '@viga/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useEdit, useSheet } from '../sheet/context'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'

/** A thing of the Figure that was pressed since the page was opened. */
function usePressed(act: (selection: string) => void) {
  const selection = useSheet((s) => s.selection)
  const seen = useRef(selection)
  const latest = useRef(act)
  useEffect(() => {
    latest.current = act
  })
  useEffect(() => {
    if (selection === seen.current) return
    seen.current = selection
    if (selection) latest.current(selection)
  }, [selection])
}

const COMPONENTS = [
  ['x', 'to the right'],
  ['y', 'upward'],
  ['rotation', 'as a rotation'],
] as const

/** The displacement that the unit load finds: of a joint chosen here or pressed on the Figure. */
function Displacement({ solution }: { solution: Solution }) {
  const problem = useSheet((s) => s.problem)
  const apply = useEdit()
  const { structure } = solution
  const sought = working.soughtOf(problem, structure, methodChoices(problem).of)
  const keep = (node: string, component: Asked['component']) =>
    apply('choose a displacement', (p) =>
      keepMethodChoices(p, { of: { quantity: 'displacement', node, component } as Asked }),
    )
  usePressed((pressed) => {
    const joint = structure.nodes.find((n) =>
      [thing.node(n.id), thing.support(n.id)].some((key) => key === pressed),
    )
    if (joint) keep(joint.id, sought?.component ?? 'y')
  })
  if (!sought) return null
  const { id } = structure.nodes[sought.node]
  return (
    <p className="method-question">
      Displacement of{' '}
      <Pick
        className="cell-select"
        aria-label="Joint whose displacement is sought"
        value={id}
        onChange={(e) => keep(e.target.value, sought.component)}
      >
        {structure.nodes.map((n) => (
          <option key={n.id}>{n.id}</option>
        ))}
      </Pick>{' '}
      <Pick
        className="cell-select"
        aria-label="Direction of the displacement"
        value={sought.component}
        onChange={(e) => keep(id, e.target.value as Asked['component'])}
      >
        {COMPONENTS.filter(([key]) => key !== 'rotation' || structure.kind !== 'truss').map(
          ([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ),
        )}
      </Pick>{' '}
      <small className="quiet">or press a joint on the Figure</small>
    </p>
  )
}

const keyOf = (q: Asked) => JSON.stringify([q.quantity, q.node, q.member, q.component, q.at, q.axes])

/** The quantities that a press on the Figure may mean, the likeliest first. */
function meant(all: readonly Asked[], pressed: string): Asked[] {
  const of = (q: Asked) =>
    q.node !== undefined
      ? [thing.support(q.node), thing.node(q.node)]
      : [thing.member(q.member!), thing.end(q.member!, q.at === '0%' ? 'start' : 'end')]
  const found = all.filter((q) => of(q).some((key) => key === pressed))
  const upright = (q: Asked) => (q.component === 'y' ? 0 : 1)
  return found.sort((a, b) => upright(a) - upright(b))
}

/** The redundants of the force method: proposed, and exchanged here or by pressing the Figure. */
function Redundants({ solution }: { solution: Solution }) {
  const problem = useSheet((s) => s.problem)
  const apply = useEdit()
  const [refused, setRefused] = useState<string | null>(null)
  const { structure } = solution
  const kept = methodChoices(problem).redundants
  const chosen = useMemo(
    () => kept ?? working.proposedRedundants(problem, structure),
    [kept, problem, structure],
  )
  const all = useMemo(() => working.redundantChoices(structure), [structure])
  const exchange = (next: Asked, instead?: number): boolean => {
    const changed = working.exchangedRedundants(problem, structure, chosen, next, instead)
    if (changed) apply('choose a redundant', (p) => keepMethodChoices(p, { redundants: changed }))
    setRefused(
      changed ? null : `With ${working.quantityWords(next)} let go, what is left would be a mechanism.`,
    )
    return changed !== undefined
  }
  const isChosen = (q: Asked) => chosen.some((c) => keyOf(c) === keyOf(q))
  usePressed((pressed) => {
    meant(all, pressed)
      .filter((q) => !isChosen(q))
      .some((q) => exchange(q))
  })
  const propose = () => apply('propose redundants', (p) => keepMethodChoices(p, { redundants: undefined }))
  return (
    <div className="method-question">
      {chosen.map((q, i) => (
        <RedundantChoice
          key={keyOf(q)}
          number={i + 1}
          value={q}
          choices={all.filter((o) => keyOf(o) === keyOf(q) || !isChosen(o))}
          onChoose={(next) => exchange(next, i)}
        />
      ))}
      <small className="quiet">or press a support or a member on the Figure</small>
      {kept && (
        <Press className="textlink" onClick={propose}>
          propose
        </Press>
      )}
      {refused && (
        <p className="error" role="alert">
          {refused}
        </p>
      )}
    </div>
  )
}

function RedundantChoice({
  number,
  value,
  choices,
  onChoose,
}: {
  number: number
  value: Asked
  choices: readonly Asked[]
  onChoose: (next: Asked) => void
}) {
  return (
    <span className="redundant">
      X<sub>{number}</sub>{' '}
      <Pick
        className="cell-select"
        aria-label={`Redundant ${number}`}
        value={keyOf(value)}
        onChange={(e) => onChoose(choices.find((o) => keyOf(o) === e.target.value)!)}
      >
        {choices.map((o) => (
          <option key={keyOf(o)} value={keyOf(o)}>
            {working.quantityWords(o)}
          </option>
        ))}
      </Pick>
    </span>
  )
}

const DIGITS = [10, 1, 0.1, 0.01, 0.001]

/** The choice of where the rounds of moment distribution end. */
function Rounds() {
  const problem = useSheet((s) => s.problem)
  const apply = useEdit()
  const { digit } = methodChoices(problem)
  const unit = `${problem.units.force}·${problem.units.length}`
  return (
    <p className="method-question">
      <span className="redundant">
        Rounds until what is carried over is below{' '}
        <Pick
          className="cell-select"
          aria-label="Rounds end below"
          value={digit ?? ''}
          onChange={(e) =>
            apply('choose where the rounds end', (p) =>
              keepMethodChoices(p, { digit: e.target.value === '' ? undefined : Number(e.target.value) }),
            )
          }
        >
          <option value="">half a thousandth of the largest</option>
          {DIGITS.map((d) => (
            <option key={d} value={d}>
              {d} {unit}
            </option>
          ))}
        </Pick>
      </span>
    </p>
  )
}

/** Bars are cut where they are pressed. */
const CutBar = () => (
  <p className="method-question">
    <small className="quiet">press a bar on the Figure to cut through it</small>
  </p>
)

const QUESTIONS: Readonly<Record<string, (props: { solution: Solution }) => React.ReactNode>> = {
  'unit-load': Displacement,
  forces: Redundants,
  sections: CutBar,
  'moment-distribution': Rounds,
}

/** The questions of a method beside the problem, where it has any. */
export function MethodQuestions({ method, solution }: { method: string; solution: Solution }) {
  const Question = QUESTIONS[method]
  return Question ? <Question solution={solution} /> : null
}
