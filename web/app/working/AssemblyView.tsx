import { isThing, thing, working, type Entries } from '@viga/core'
import { useCallback, useMemo, useState } from 'react'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore } from '../sheet/context'
import { Formula } from '../widgets/Formula'
import { useBook } from './book'
import { MatrixOut } from './MatrixOut'
import { MatrixView } from './MatrixView'
import { powerOfLarge, WHOLE } from './LargeBlock'
import { LargeMatrix } from './LargeMatrix'
import { MemberChoice, useMember } from './MemberChoice'
import type { StepProps } from './step'
import { chosen, targetOf, targetsOf } from '../sheet/targets'

/** The assembly, member by member: the member's block lit in K, and each entry the sum it is. */
export function AssemblyView({ solution, units }: StepProps) {
  const store = useSheetStore()
  const [at, choose] = useMember(solution)
  const [hover, setHover] = useState<{ row: number; column: number } | null>(null)
  const [pinned, setPinned] = useState<{ row: number; column: number } | null>(null)
  const { ledger, open, reading } = useBook()
  const shown = ledger.context
  const common = reading.factor === 'common' ? ledger.entry('common') : undefined
  const shared = common !== undefined
  const entryAddress = useCallback(
    (row: number, column: number) =>
      `${shared ? 'per-common/' : ''}${working.addressOf('K', row + 1, column + 1)}`,
    [shared],
  )
  const address = (e: { row: number; column: number }) => entryAddress(e.row, e.column)
  const pick = (e: { row: number; column: number }) => {
    setPinned(e)
    open(address(e))
  }
  const n = solution.dofs.list.length
  const ordered = useMemo(() => working.inOrder(working.unknowns(shown)), [shown])
  const w = useMemo(
    () => over(working.memberMatrix(shown, units, at), common?.value),
    [shown, units, at, common?.value],
  )
  // the whole, or what it has grown to with the members up to this one
  const [growing, setGrowing] = useState(false)
  const { length } = solution.elements
  const whole = useMemo(
    () => (n <= WHOLE ? dividedBy(working.structureStiffness(shown, units), common?.value) : undefined),
    [shown, units, n, common?.value],
  )
  const K = useMemo(
    () =>
      whole && growing ? dividedBy(working.structureStiffness(shown, units, at + 1), common?.value) : whole,
    [whole, growing, shown, units, at, common?.value],
  )
  /** Degrees of freedom of the entry spoken of; in K they stand in the order of their numbers. */
  const entry = hover ?? pinned
  const placeOf = useMemo(() => new Map(K?.rows.map((u, i) => [u!.index, i])), [K])
  const inK = entry && K ? { row: placeOf.get(entry.row)!, column: placeOf.get(entry.column)! } : null
  const dofsAt = (e: { row: number; column: number }) => ({
    row: K!.rows[e.row]!.index,
    column: K!.columns[e.column]!.index,
  })
  const power =
    reading.power && !common ? (whole ? working.commonPower(whole.values) : powerOfLarge(ledger)) : 0
  // a member pointed at on the Figure lights its own block
  const hovered = useSheet((s) =>
    isThing(s.hover, 'member') && targetsOf(s.hover).length === 1 ? chosen(s.hover).members[0] : null,
  )
  const lit = solution.structure.members.findIndex((m) => m.id === hovered)
  const parting = useMemo(() => K && working.partingOf(K.rows.flatMap((u) => u ?? [])), [K])
  const block = useMemo(
    () =>
      new Set(
        lit >= 0
          ? solution.elements[lit].dofs.filter((d) => d >= 0)
          : w.K.rows.flatMap((r) => (r ? [r.index] : [])),
      ),
    [w, lit, solution],
  )
  const factorOf = (name: string) =>
    common && (
      <Formula
        tex={`${name}=${working.symbolLatex(common.symbol)}`}
        plain={`${name} = ${working.symbolText(common.symbol)} times`}
      />
    )
  const point = (e: { row: number; column: number } | null) => {
    setHover(e)
    store
      .getState()
      .point(
        e &&
          targetOf([
            thing.dof(e.row),
            thing.dof(e.column),
            ...working
              .termsOf(shown, units, e.row, e.column)
              .flatMap((t) => (t.member ? [thing.member(t.member)] : [])),
          ]),
      )
  }
  const inMember = (e: { row: number; column: number } | null) => {
    if (!e) return null
    const row = w.K.rows.findIndex((r) => r?.index === e.row)
    const column = w.K.columns.findIndex((c) => c?.index === e.column)
    return row < 0 || column < 0 ? null : { row, column }
  }
  return (
    <>
      <p className="prose">
        <i>{w.id}</i> joins <i>{w.start}</i> ({numbers(w.K.rows.slice(0, w.K.rows.length / 2))}) to{' '}
        <i>{w.end}</i> ({numbers(w.K.rows.slice(w.K.rows.length / 2))}).
      </p>
      <MemberChoice solution={solution} at={at} onChoose={choose} />
      <MatrixView
        label={`stiffness of ${w.id}`}
        name={
          common ? null : (
            <i>
              K<sup className="m-of">{w.id}</sup>
            </i>
          )
        }
        before={factorOf(`K^{${working.wordsLatex(w.id)}}`)}
        entries={w.K}
        power={power}
        reading={reading}
        at={inMember(entry)}
        onPoint={(e) =>
          point(
            e && w.K.rows[e.row] && w.K.columns[e.column]
              ? { row: w.K.rows[e.row]!.index, column: w.K.columns[e.column]!.index }
              : null,
          )
        }
      />
      <div className="matrix-head">
        <span>
          {growing ? `K with the members up to ${w.id}` : 'The whole'}
          {K && length > 1 && (
            <label className="growing">
              <Tick checked={growing} onChange={(e) => setGrowing(e.target.checked)} /> as it grows
            </label>
          )}
          {growing && (
            <span className="step-buttons">
              <Press className="link" disabled={at === 0} onClick={() => choose(at - 1)}>
                one back
              </Press>
              <Press className="link" disabled={at === length - 1} onClick={() => choose(at + 1)}>
                one on
              </Press>
            </span>
          )}
        </span>
        <span className="quiet">
          {working.powerWords(
            power,
            common ? `lengths, ${units.length}` : `${units.force}, ${units.length}, rad`,
          )}{' '}
          {n <= 3000 && (
            <MatrixOut name="K" values={() => (whole ?? working.structureStiffness(shown, units)).values} />
          )}
        </span>
      </div>
      {K ? (
        <MatrixView
          label="stiffness of the whole structure"
          name={common ? null : <i>K</i>}
          before={factorOf('K')}
          entries={K}
          power={power}
          parting={parting}
          reading={reading}
          block={block}
          at={inK}
          onPoint={(e) => point(e && dofsAt(e))}
          onPick={(e) => pick(dofsAt(e))}
        />
      ) : (
        <LargeMatrix
          label="stiffness of the whole structure"
          solution={solution}
          rows={ordered}
          columns={ordered}
          address={entryAddress}
          power={power}
          lit={block}
          onPick={setPinned}
        />
      )}
      <EntrySum units={units} at={entry} address={address} />
    </>
  )
}

/** A matrix with a factor taken out of it, or as it is. */
const dividedBy = (m: Entries, factor = 1): Entries =>
  factor === 1 ? m : { ...m, values: m.values.map((r) => r.map((v) => v / factor)) }
const over = (m: working.MemberMatrix, factor?: number): working.MemberMatrix => ({
  ...m,
  K: dividedBy(m.K, factor),
})

const numbers = (rows: working.Entries['rows']) => rows.map((r) => (r ? r.number : 'none')).join(', ')

/** Where an entry of K comes from: in symbols, in numbers, and in one plain sentence. */
function EntrySum({
  units,
  at,
  address,
}: Pick<StepProps, 'units'> & {
  at: { row: number; column: number } | null
  address: (e: { row: number; column: number }) => string
}) {
  const { ledger, reading } = useBook()
  const shown = ledger.context
  if (!at) return <p className="prose entry-sum">Point at an entry to see what it is the sum of.</p>
  const all = working.unknowns(shown)
  const [r, c] = [all[at.row], all[at.column]]
  const { symbol, value, unit, origin } = ledger.origin(address(at))
  const verb = (u: working.Unknown) =>
    u.component === 'rotation'
      ? `${u.node} turns by one radian`
      : `${u.node} moves by one ${units.length} along ${u.component}`
  const force = (u: working.Unknown) =>
    u.component === 'rotation' ? `moment at ${u.node}` : `force at ${u.node} along ${u.component}`
  const f = origin.kind === 'formula' ? origin.formula : undefined
  return (
    <div className="entry-sum">
      {!f ? (
        <p className="prose">
          No member joins <i>{r.node}</i> and <i>{c.node}</i> here: the entry is 0.
        </p>
      ) : (
        <>
          <Formula
            tex={`${working.symbolLatex(symbol)}=${working.formulaLatex(f)}${f.t === 'letter' ? '' : `=${working.formulaLatex(f, 'numbers', undefined, reading.figures)}`}=${working.numberLatex(working.shown(value, reading))}${unit ? `\\;${working.wordsLatex(unit)}` : ''}`}
            plain={`${working.symbolText(symbol)} = ${working.shown(value, reading)} ${unit}`}
          />
          <p className="prose">
            The {force(r)} when {verb(c)} while every other unknown is held.
          </p>
        </>
      )}
    </div>
  )
}
