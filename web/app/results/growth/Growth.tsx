import {
  courseOf,
  displacementAt,
  extremes,
  isFactor,
  lowestFactor,
  readVaried,
  statedQuantities,
  sweepValues,
  type PlaceDraft,
  type Problem,
  type SweepInput,
  type SweepRange,
} from '@viga/core'
import { fitted, type Place } from '@viga/core/statement/answer-place'
import { useEffect, useMemo, useState } from 'react'
import { PlaceFields } from '../../fields/PlaceFields'
import { useSheet } from '../../sheet/context'
import { sweepLater, type Swept } from '../../sheet/sweeper'
import { Block } from '../../widgets/Block'
import { Line } from '../../widgets/Line'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import type { Solved } from '../solved'
import { Grown } from './Grown'
import { nameOf, namesOf } from './names'
import './growth.css'

/** A sweep of a structure with more members than this is not begun by itself. */
const AT_ONCE = 100

/**
 * What follows as something grows: chosen values against a load, a length or any other symbol, in both
 * orders.
 */
export default function Growth(solved: Solved) {
  const { action } = solved
  const problem = useSheet((s) => s.problem)
  const [vary, setVary] = useState(() => likeliest(solved))
  const [range, setRange] = useState<SweepRange>(() => startOf(problem, vary))
  const [places, setPlaces] = useState<Place[]>(() => firstReads(solved))
  const input = useMemo(
    () => inputOf(problem, vary, range, places, action.id),
    [problem, vary, range, places, action.id],
  )
  // the likeliest sweep is shown at once, unless a large structure would take long
  const [asked, setAsked] = useState<SweepInput | undefined>(() =>
    'message' in input || problem.members.length > AT_ONCE ? undefined : input,
  )
  const { swept, done, stop } = useSweep(asked)
  const run = () => {
    if (!('message' in input)) setAsked(input)
  }
  return (
    <>
      <Block title="What grows">
        <GrowthForm
          vary={vary}
          range={range}
          onVary={(name) => (setVary(name), setRange(startOf(problem, name)))}
          onRange={setRange}
          onRun={run}
          refusal={'message' in input ? input.message : null}
        />
      </Block>
      <Reads places={places} onChange={setPlaces} />
      {!asked && (
        <p className="prose">
          Each value that is read becomes a curve, first and second order together; a step that is pointed at
          is drawn on the Figure.
        </p>
      )}
      {asked && !swept && (
        <p className="quiet" role="status">
          {done} of {asked.values.length} steps …{' '}
          <Press className="textlink" onClick={stop}>
            Stop
          </Press>
        </p>
      )}
      {swept && 'message' in swept && <p className="prose pencil">{swept.message}</p>}
      {asked && swept && !('message' in swept) && <Grown input={asked} result={swept} name={vary} />}
    </>
  )
}

interface GrowthFormProps {
  vary: string
  range: SweepRange
  onVary: (name: string) => void
  onRange: (range: SweepRange) => void
  onRun: () => void
  refusal: string | null
}

/** What grows, from where to where, and in how many steps. */
function GrowthForm({ vary, range, onVary, onRange, onRun, refusal }: GrowthFormProps) {
  return (
    <form
      className="growth-form"
      onSubmit={(e) => {
        e.preventDefault()
        onRun()
      }}
    >
      <WhatGrows vary={vary} onVary={onVary} />
      {(['from', 'to'] as const).map((key) => (
        <label key={key}>
          <span className="quiet">{key}</span>
          <Line
            className="cell-input"
            typing
            aria-label={key}
            value={range[key]}
            onChange={(e) => onRange({ ...range, [key]: e.target.value })}
          />
        </label>
      ))}
      <label>
        <span className="quiet">in steps</span>
        <Line
          className="cell-input short"
          typing
          aria-label="steps"
          value={String(range.steps)}
          onChange={(e) => onRange({ ...range, steps: Number(e.target.value) || 0 })}
        />
      </label>
      <Press type="submit" className="plain-button">
        Run
      </Press>
      {refusal !== null && (
        <p className="pencil" role="alert">
          {refusal}
        </p>
      )}
    </form>
  )
}

/** The list of what may grow: loads together, symbols, and the quantities that are stated. */
function WhatGrows({ vary, onVary }: Pick<GrowthFormProps, 'vary' | 'onVary'>) {
  const problem = useSheet((s) => s.problem)
  const stated = useMemo(() => statedQuantities(problem), [problem])
  return (
    <Pick
      className="cell-select"
      aria-label="what grows"
      value={vary}
      onChange={(e) => onVary(e.target.value)}
    >
      {namesOf(problem).map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
      {stated.length > 0 && (
        <optgroup label="a quantity that is stated">
          {stated.map(({ path, words }) => (
            <option key={path} value={path}>
              {words}
            </option>
          ))}
        </optgroup>
      )}
    </Pick>
  )
}

/** The sweep that was asked for last, as far as it has come. */
function useSweep(input: SweepInput | undefined) {
  const [found, setFound] = useState<{ input: SweepInput; swept: Swept }>()
  const [step, setStep] = useState<{ input: SweepInput; done: number }>()
  const [given, giveUp] = useState<SweepInput>()
  useEffect(() => {
    if (!input || given === input) return
    return sweepLater(
      input,
      (done) => setStep({ input, done }),
      (swept) => setFound({ input, swept }),
    )
  }, [input, given])
  return {
    swept: found && found.input === input ? found.swept : undefined,
    done: step && step.input === input ? step.done : 0,
    stop: () => giveUp(input),
  }
}

/** The values that are read at each step. */
function Reads({ places, onChange }: { places: Place[]; onChange: (places: Place[]) => void }) {
  const problem = useSheet((s) => s.problem)
  const [draft, setDraft] = useState<PlaceDraft>({ quantity: 'maximum', of: 'moment' })
  const place = fitted(problem, draft) ?? draft
  return (
    <Block title="What is read">
      <ul className="growth-reads">
        {places.map((p, i) => (
          <li key={i}>
            {nameOf(p)}{' '}
            <Press
              className="row-remove on"
              aria-label={`Take out ${nameOf(p)}`}
              onClick={() => onChange(places.filter((_, j) => j !== i))}
            >
              ×
            </Press>
          </li>
        ))}
      </ul>
      <div className="new-answer">
        <PlaceFields caseless problem={problem} place={place} onChange={setDraft} />
        <Press
          className="plain-button"
          onClick={() => {
            const bare = fitted(problem, { ...place, case: undefined })
            if (bare && !places.some((p) => nameOf(p) === nameOf(bare))) onChange([...places, bare])
          }}
        >
          Read it, too
        </Press>
      </div>
    </Block>
  )
}

/** What is varied to begin with: a part of the critical load, all loads where the structure has none. */
const likeliest = ({ solution, action }: Solved): string =>
  solution.structure.members.length > AT_ONCE || lowestFactor(solution, action) !== null
    ? 'critical'
    : 'factor'

function startOf(p: Problem, name: string): SweepRange {
  if (name === 'critical') return { from: '0', to: '0.9', steps: 40 }
  const stated = p.symbols?.[name] ?? statedQuantities(p).find((q) => q.path === name)?.value
  return stated === undefined
    ? { from: '0', to: '2', steps: 40 }
    : { from: `0.5*(${stated})`, to: `2*(${stated})`, steps: 40 }
}

/** To begin with: the moment that is largest by size, and what moves most: a sway, else a deflection. */
function firstReads({ solution, action }: Solved): Place[] {
  const { members, nodes } = solution.structure
  const beams = members.flatMap((m, i) => (m.bar ? [] : [i]))
  let [most, least] = [0, 0]
  for (const i of beams) {
    const { max, min } = extremes(courseOf(solution, action, i)).M
    most = Math.max(most, max.value)
    least = Math.min(least, min.value)
  }
  const sway = (i: number) => Math.abs(displacementAt(solution, action, i).x ?? 0)
  const joint = nodes.reduce((best, _, i) => (sway(i) > sway(best) ? i : best), 0)
  const moves: Place =
    sway(joint) > 0 || beams.length === 0
      ? { quantity: 'displacement', node: nodes[joint].id, component: 'x' }
      : { quantity: 'deflection', member: members[beams[0]].id, at: '50%' }
  return [
    ...(beams.length ? [{ quantity: -least > most ? 'minimum' : 'maximum', of: 'moment' } as Place] : []),
    moves,
  ]
}

function inputOf(
  problem: Problem,
  vary: string,
  range: SweepRange,
  places: readonly Place[],
  action: string,
): SweepInput | { message: string } {
  const varied = readVaried(problem, vary)
  if (!varied.ok) return varied
  const values = sweepValues(problem, varied.varied, range)
  if (!values.ok) return { message: values.message }
  if (places.length === 0) return { message: 'Choose at least one value to be read.' }
  return {
    problem,
    varied: varied.varied,
    values: values.values.map((v) => (v === 0 && isFactor(varied.varied) ? 0 : v)),
    reads: places.map((place) => ({ text: nameOf(place), place })),
    action,
    orders: [1, 2],
  }
}
