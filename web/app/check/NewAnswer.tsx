import { edit, makeReader, type Answer, type AnswerQuantity, type Component } from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { answerName, dimensionOf } from './answer-words'

const QUANTITIES: [AnswerQuantity, string][] = [
  ['reaction', 'reaction'],
  ['displacement', 'displacement'],
  ['axial', 'axial force N'],
  ['shear', 'shear V'],
  ['moment', 'moment M'],
  ['deflection', 'deflection'],
  ['maximum', 'largest'],
  ['minimum', 'least'],
]

/** One more hand value: which quantity, where, and what was found. */
export function NewAnswer() {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const truss = problem.kind === 'truss'
  const [quantity, setQuantity] = useState<AnswerQuantity>(truss ? 'axial' : 'reaction')
  const [node, setNode] = useState('')
  const [member, setMember] = useState('')
  const [component, setComponent] = useState<Component>('y')
  const [of, setOf] = useState<NonNullable<Answer['of']>>('moment')
  const [at, setAt] = useState('0%')
  const [sense, setSense] = useState('')
  const [value, setValue] = useState('')
  const [refusal, setRefusal] = useState<string | null>(null)

  const supported = problem.supports?.map((s) => s.node) ?? []
  const nodes = quantity === 'reaction' ? supported : problem.nodes.map((n) => n.id)
  const members = problem.members.map((m) => m.id)
  const atJoint = quantity === 'reaction' || quantity === 'displacement'
  const extreme = quantity === 'maximum' || quantity === 'minimum'
  const alone = quantity === 'axial' && (truss || problem.members.find((m) => m.id === (member || members[0]))?.type === 'bar')
  const many = (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1
  if (problem.members.length === 0) return null

  const add = () => {
    if (value.trim() === '') return setRefusal('Type the value you found.')
    const base = { quantity, value: edit.typed(value), ...(many && actionId !== null ? { case: actionId } : {}) }
    const answer: Omit<Answer, 'id'> = atJoint
      ? { ...base, node: nodes.includes(node) ? node : nodes[0], component }
      : extreme
        ? { ...base, of, ...(member ? { member } : {}) }
        : { ...base, member: member || members[0], ...(alone ? {} : { at: edit.typed(at) }), ...(alone && sense ? { sense: sense as 'tension' } : {}) }
    const read = makeReader(problem.units, problem.symbols).reader.read(answer.value, dimensionOf({ id: '', ...answer }))
    if (!read.ok) return setRefusal(read.message)
    const error = store.getState().edit(`answer ${answerName({ id: '', ...answer })}`, (p) => edit.addAnswer(p, answer), { shown: true })
    if (error) return setRefusal(error.message)
    setRefusal(null)
    setValue('')
  }
  const choice = (name: string, v: string, options: readonly (readonly [string, string])[], set: (v: string) => void) => (
    <select className="cell-select" aria-label={name} value={v} onChange={(e) => (set(e.target.value), setRefusal(null))}>
      {options.map(([k, label]) => (
        <option key={k} value={k}>
          {label}
        </option>
      ))}
    </select>
  )
  return (
    <form
      className="new-answer"
      onSubmit={(e) => {
        e.preventDefault()
        add()
      }}
    >
      {choice('quantity', quantity, truss ? QUANTITIES.filter(([k]) => ['reaction', 'displacement', 'axial'].includes(k)) : QUANTITIES, (v) => setQuantity(v as AnswerQuantity))}
      {atJoint && choice('joint', nodes.includes(node) ? node : (nodes[0] ?? ''), nodes.map((n) => [n, `at ${n}`]), setNode)}
      {atJoint && choice('component', component, (truss ? (['x', 'y'] as const) : (['x', 'y', 'rotation'] as const)).map((c) => [c, c === 'rotation' ? (quantity === 'reaction' ? 'moment' : 'rotation') : c]), (v) => setComponent(v as Component))}
      {extreme && choice('of', of, [['moment', 'M'], ['shear', 'V'], ['axial', 'N'], ['deflection', 'deflection']], (v) => setOf(v as 'moment'))}
      {!atJoint && choice('member', member || (extreme ? '' : (members[0] ?? '')), [...(extreme ? [['', 'anywhere'] as const] : []), ...members.map((m) => [m, `in ${m}`] as const)], setMember)}
      {!atJoint && !extreme && !alone && (
        <label className="at">
          <span className="quiet">at</span>
          <input className="cell-input" aria-label="place" value={at} onChange={(e) => setAt(e.target.value)} />
        </label>
      )}
      {alone && choice('sense', sense, [['', 'signed'], ['tension', 'tension'], ['compression', 'compression']], setSense)}
      <input className="cell-input hand" aria-label="your value" placeholder="your value" value={value} spellCheck={false} autoComplete="off" onChange={(e) => (setValue(e.target.value), setRefusal(null))} />
      <button type="submit" className="plain-button">
        Check it
      </button>
      {refusal && (
        <p className="pencil" role="alert">
          {refusal}
        </p>
      )}
    </form>
  )
}
