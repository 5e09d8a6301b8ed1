import {
  edit,
  type Answer,
  type AnswerQuantity,
  type Component,
  type PlaceDraft,
  type Problem,
  type StiffnessPlace,
} from '@viga/core'
import { Pick } from '../widgets/Pick'
import { TextField } from './TextField'
import {
  componentsOf,
  isAlone,
  isAlong,
  isExtreme,
  jointsFor,
  mayBeOwn,
  quantitiesOf,
  type Place,
} from '@viga/core/statement/answer-place'

type Options = readonly (readonly [string, string])[]

/** A choice in a line of words. */
function Choice({
  name,
  value,
  options,
  onChoose,
}: {
  name: string
  value: string
  options: Options
  onChoose: (v: string) => void
}) {
  return (
    <Pick className="cell-select" aria-label={name} value={value} onChange={(e) => onChoose(e.target.value)}>
      {options.map(([k, label]) => (
        <option key={k} value={k}>
          {label}
        </option>
      ))}
    </Pick>
  )
}

interface Props {
  problem: Problem
  place: PlaceDraft
  /** Takes the place with a change in it; not yet fitted. */
  onChange: (place: PlaceDraft) => void
  /** The case is chosen elsewhere. */
  caseless?: boolean
}

/** Which quantity a hand value is and where it stands, chosen in one line. */
export function PlaceFields({ problem, place, onChange, caseless }: Props) {
  const { quantity } = place
  const set = (change: Partial<PlaceDraft>) => onChange({ ...place, ...change })
  const cases = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])]
  const atJoint = quantity === 'reaction' || quantity === 'displacement' || quantity === 'load-vector'
  return (
    <>
      <Choice
        name="quantity"
        value={quantity}
        options={quantitiesOf(problem)}
        onChoose={(v) => set({ quantity: v as AnswerQuantity })}
      />
      {atJoint && <JointFields problem={problem} place={place} set={set} />}
      {(isAlong(quantity) || isExtreme(quantity)) && (
        <AlongFields problem={problem} place={place} set={set} />
      )}
      {quantity === 'fixed-end' && <FixedEndFields problem={problem} place={place} set={set} />}
      {quantity === 'stiffness' && <StiffnessFields problem={problem} place={place} set={set} />}
      {!caseless && cases.length > 1 && quantity !== 'stiffness' && quantity !== 'load-factor' && (
        <Choice
          name="case"
          value={place.case ?? cases[0].id}
          options={cases.map((c) => [c.id, c.title ?? c.id])}
          onChoose={(v) => set({ case: v })}
        />
      )}
    </>
  )
}

interface Part {
  problem: Problem
  place: PlaceDraft
  set: (change: Partial<PlaceDraft>) => void
}

function JointFields({ problem, place, set }: Part) {
  const { quantity } = place
  const word = (c: Component) =>
    c === 'rotation' ? (quantity === 'displacement' ? 'rotation' : 'moment') : c
  return (
    <>
      <Choice
        name="joint"
        value={place.node ?? ''}
        options={jointsFor(problem, quantity).map((n) => [n, `at ${n}`])}
        onChoose={(node) => set({ node })}
      />
      <Choice
        name="component"
        value={place.component ?? 'y'}
        options={componentsOf(problem).map((c) => [c, word(c)])}
        onChoose={(v) => set({ component: v as Component })}
      />
      {mayBeOwn(problem, place) && (
        <Choice
          name="axes"
          value={place.axes ?? 'global'}
          options={[
            ['global', 'global axes'],
            ['own', "the support's own axes"],
          ]}
          onChoose={(v) => set({ axes: v as 'own' })}
        />
      )}
    </>
  )
}

const EXTREME_OF: Options = [
  ['moment', 'M'],
  ['shear', 'V'],
  ['axial', 'N'],
  ['deflection', 'deflection'],
]
const SIDES: Options = [
  ['', 'either side'],
  ['left', 'just before'],
  ['right', 'just after'],
]
const SENSES: Options = [
  ['', 'signed'],
  ['tension', 'tension'],
  ['compression', 'compression'],
]

function AlongFields({ problem, place, set }: Part) {
  const extreme = isExtreme(place.quantity)
  const alone = place.quantity === 'axial' && isAlone(problem, place.member)
  const members: Options = [
    ...(extreme ? [['', 'anywhere'] as const] : []),
    ...problem.members.map((m) => [m.id, `in ${m.id}`] as const),
  ]
  return (
    <>
      {extreme && (
        <Choice
          name="of"
          value={place.of ?? 'moment'}
          options={EXTREME_OF}
          onChoose={(v) => set({ of: v as NonNullable<Answer['of']> })}
        />
      )}
      <Choice
        name="member"
        value={place.member ?? ''}
        options={members}
        onChoose={(v) => set({ member: v || undefined })}
      />
      {!alone && (
        <label className="at">
          <span className="quiet">at</span>
          <TextField
            name="place"
            className="cell-input"
            placeholder={extreme ? 'any place' : ''}
            value={String(place.at ?? '')}
            onCommit={(t) => (set({ at: edit.typed(t) }), null)}
          />
        </label>
      )}
      {!alone && !extreme && (
        <Choice
          name="side"
          value={place.side ?? ''}
          options={SIDES}
          onChoose={(v) => set({ side: (v || undefined) as 'left' | undefined })}
        />
      )}
      {alone && (
        <Choice
          name="sense"
          value={place.sense ?? ''}
          options={SENSES}
          onChoose={(v) => set({ sense: (v || undefined) as 'tension' | undefined })}
        />
      )}
    </>
  )
}

/** The ends of a member by the joints they stand at, and the parts of a force there in the member's axes. */
function FixedEndFields({ problem, place, set }: Part) {
  const m = problem.members.find((o) => o.id === place.member)
  return (
    <>
      <Choice
        name="member"
        value={place.member ?? ''}
        options={problem.members.flatMap((o) => (isAlone(problem, o.id) ? [] : [[o.id, `of ${o.id}`]]))}
        onChoose={(v) => set({ member: v })}
      />
      <Choice
        name="end"
        value={place.end ?? 'start'}
        options={[
          ['start', `at ${m?.start ?? 'its start'}`],
          ['end', `at ${m?.end ?? 'its end'}`],
        ]}
        onChoose={(v) => set({ end: v as 'start' | 'end' })}
      />
      <Choice
        name="component"
        value={place.component ?? 'rotation'}
        options={FIXED_END_PARTS}
        onChoose={(v) => set({ component: v as Component })}
      />
    </>
  )
}

const FIXED_END_PARTS: Options = [
  ['rotation', 'moment'],
  ['y', 'shear'],
  ['x', 'axial force'],
]

function StiffnessFields({ problem, place, set }: Part) {
  const six: Options = [1, 2, 3, 4, 5, 6].map((n) => [String(n), String(n)])
  const key = (p: Place['row']) => (typeof p === 'object' ? `${p.component} ${p.node}` : '')
  const numberOf = (p: Place['row']) => (typeof p === 'number' ? String(p) : '1')
  const read = (v: string): StiffnessPlace => ({
    component: v.slice(0, v.indexOf(' ')) as Component,
    node: v.slice(v.indexOf(' ') + 1),
  })
  const unknowns: Options = problem.nodes.flatMap((n) =>
    componentsOf(problem).map((c) => [`${c} ${n.id}`, `${n.id} ${c === 'rotation' ? 'turn' : c}`] as const),
  )
  return (
    <>
      <Choice
        name="matrix"
        value={place.member ?? ''}
        options={[['', 'of the structure'], ...problem.members.map((m) => [m.id, `of ${m.id}`] as const)]}
        onChoose={(v) => set({ member: v || undefined, row: undefined, column: undefined })}
      />
      {place.member !== undefined && (
        <Choice
          name="axes"
          value={place.axes ?? 'global'}
          options={[
            ['global', 'global axes'],
            ['member', 'member axes'],
          ]}
          onChoose={(v) => set({ axes: v as 'member' })}
        />
      )}
      {(['row', 'column'] as const).map((side) => (
        <label key={side} className="at">
          <span className="quiet">{side}</span>
          {place.member !== undefined ? (
            <Choice
              name={side}
              value={numberOf(place[side])}
              options={six}
              onChoose={(v) => set({ [side]: Number(v) })}
            />
          ) : (
            <Choice
              name={side}
              value={key(place[side])}
              options={unknowns}
              onChoose={(v) => set({ [side]: read(v) })}
            />
          )}
        </label>
      ))}
    </>
  )
}
