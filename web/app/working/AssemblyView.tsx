import { isThing, thing, working, type Entries } from '@viga/core'
import { useCallback, useMemo, useState } from 'react'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore } from '../sheet/context'
import { Formula } from '../widgets/Formula'
import { useStiffnessBook, useWorkingView } from './working-view'
import { MatrixOut } from './MatrixOut'
import { MatrixView } from './MatrixView'
import { powerOfLarge, WHOLE } from './large-power'
import { EntrySum } from './EntrySum'
import type { LargeMatrixProps } from './LargeMatrix'
import { LargeMatrix } from './large-view'
import { MemberChoice, useMember } from './MemberChoice'
import type { StepProps } from './step'
import { chosen, targetOf, targetsOf } from '../sheet/targets'

/** An entry of K, by degrees of freedom from 0. */
interface Entry {
  row: number
  column: number
}

/** The assembly, member by member: the member's block lit in K, and each entry the sum it is. */
export function AssemblyView({ solution, units }: StepProps) {
  const [at, choose] = useMember(solution)
  const { open, reading } = useWorkingView()
  const ledger = useStiffnessBook()
  const { context: shown } = ledger
  const common = reading.factor === 'common' ? ledger.entry('common') : undefined
  const address = useEntryAddress(common !== undefined)
  const { entry, point, pin } = useEntry(units)
  const w = useMemo(
    () => over(working.memberMatrix(shown, units, at), common?.value),
    [shown, units, at, common?.value],
  )
  const { whole, K, growing, setGrowing } = useGrowing(solution, units, at, common?.value)
  const power =
    reading.power && !common ? (whole ? working.commonPower(whole.values) : powerOfLarge(ledger)) : 0
  const block = useBlock(solution, w)
  const pick = (e: Entry) => {
    pin(e)
    open(address(e.row, e.column))
  }
  return (
    <>
      <p className="prose">
        <i>{w.id}</i> joins <i>{w.start}</i> ({numbers(w.K.rows.slice(0, w.K.rows.length / 2))}) to{' '}
        <i>{w.end}</i> ({numbers(w.K.rows.slice(w.K.rows.length / 2))}).
      </p>
      <MemberChoice solution={solution} at={at} onChoose={choose} />
      <OfMember w={w} common={common} power={power} at={entry} onPoint={point} />
      <div className="matrix-head">
        <Growing
          growing={growing}
          setGrowing={setGrowing}
          at={at}
          choose={choose}
          solution={solution}
          id={w.id}
        />
        <span className="quiet">
          {working.powerWords(
            power,
            common ? `lengths, ${units.length}` : `${units.force}, ${units.length}, rad`,
          )}{' '}
          {solution.dofs.list.length <= 3000 && (
            <MatrixOut name="K" values={() => (whole ?? working.structureStiffness(shown, units)).values} />
          )}
        </span>
      </div>
      {K ? (
        <OfWhole K={K} common={common} power={power} block={block} at={entry} onPoint={point} onPick={pick} />
      ) : (
        <TooLarge solution={solution} address={address} power={power} lit={block} onPick={pin} />
      )}
      <EntrySum units={units} at={entry} address={(e) => address(e.row, e.column)} />
    </>
  )
}

/** The address of an entry of K, or of what is left of it when the common factor is taken out. */
const useEntryAddress = (shared: boolean) =>
  useCallback(
    (row: number, column: number) =>
      `${shared ? 'per-common/' : ''}${working.addressOf('K', row + 1, column + 1)}`,
    [shared],
  )

/** The entry that is pointed at, else the one that was pressed last; pointing lights what it is made of. */
function useEntry(units: StepProps['units']) {
  const store = useSheetStore()
  const { context } = useStiffnessBook()
  const [hover, setHover] = useState<Entry | null>(null)
  const [pinned, pin] = useState<Entry | null>(null)
  const point = (e: Entry | null) => {
    setHover(e)
    if (!e) return store.getState().point(null)
    const members = working
      .termsOf(context, units, e.row, e.column)
      .flatMap((t) => (t.member ? [thing.member(t.member)] : []))
    store.getState().point(targetOf([thing.dof(e.row), thing.dof(e.column), ...members]))
  }
  return { entry: hover ?? pinned, point, pin }
}

/** K of the whole, where it fits a page, and what it has grown to with the members up to one. */
function useGrowing(solution: StepProps['solution'], units: StepProps['units'], at: number, common?: number) {
  const shown = useStiffnessBook().context
  const [growing, setGrowing] = useState(false)
  const fits = solution.dofs.list.length <= WHOLE
  const whole = useMemo(
    () => (fits ? dividedBy(working.structureStiffness(shown, units), common) : undefined),
    [shown, units, fits, common],
  )
  const K = useMemo(
    () => (whole && growing ? dividedBy(working.structureStiffness(shown, units, at + 1), common) : whole),
    [whole, growing, shown, units, at, common],
  )
  return { whole, K, growing, setGrowing }
}

/** The degrees of freedom of the member pointed at on the Figure, else of the one written out. */
function useBlock(solution: StepProps['solution'], w: working.MemberMatrix): ReadonlySet<number> {
  const hovered = useSheet((s) =>
    isThing(s.hover, 'member') && targetsOf(s.hover).length === 1 ? chosen(s.hover).members[0] : null,
  )
  const lit = solution.structure.members.findIndex((m) => m.id === hovered)
  return useMemo(
    () =>
      new Set(
        lit >= 0
          ? solution.elements[lit].dofs.filter((d) => d >= 0)
          : w.K.rows.flatMap((r) => (r ? [r.index] : [])),
      ),
    [w, lit, solution],
  )
}

type Common = ReturnType<working.Ledger['entry']>

/** `K = EI/L times`, where a factor is taken out of all. */
const factorOf = (common: Common, name: string) =>
  common && (
    <Formula
      tex={`${name}=${working.symbolLatex(common.symbol)}`}
      plain={`${name} = ${working.symbolText(common.symbol)} times`}
    />
  )

interface OfMemberProps {
  w: working.MemberMatrix
  common: Common
  power: number
  at: Entry | null
  onPoint: (e: Entry | null) => void
}

/** The stiffness of the member that is written out. */
function OfMember({ w, common, power, at, onPoint }: OfMemberProps) {
  const { reading } = useWorkingView()
  const place = (u: Entry) => {
    const row = w.K.rows.findIndex((r) => r?.index === u.row)
    const column = w.K.columns.findIndex((c) => c?.index === u.column)
    return row < 0 || column < 0 ? null : { row, column }
  }
  const dofs = ({ row, column }: Entry) => {
    const [r, c] = [w.K.rows[row], w.K.columns[column]]
    return r && c ? { row: r.index, column: c.index } : null
  }
  return (
    <MatrixView
      label={`stiffness of ${w.id}`}
      name={
        common ? null : (
          <i>
            K<sup className="m-of">{w.id}</sup>
          </i>
        )
      }
      before={factorOf(common, `K^{${working.wordsLatex(w.id)}}`)}
      entries={w.K}
      power={power}
      reading={reading}
      at={at && place(at)}
      onPoint={(e) => onPoint(e && dofs(e))}
    />
  )
}

interface OfWholeProps extends Omit<OfMemberProps, 'w'> {
  K: Entries
  block: ReadonlySet<number>
  onPick: (e: Entry) => void
}

/** The stiffness of the whole structure, its unknowns in the order of their numbers. */
function OfWhole({ K, common, power, block, at, onPoint, onPick }: OfWholeProps) {
  const { reading } = useWorkingView()
  const placeOf = useMemo(() => new Map(K.rows.map((u, i) => [u!.index, i])), [K])
  const parting = useMemo(() => working.partingOf(K.rows.flatMap((u) => u ?? [])), [K])
  const dofs = (e: Entry) => ({ row: K.rows[e.row]!.index, column: K.columns[e.column]!.index })
  return (
    <MatrixView
      label="stiffness of the whole structure"
      name={common ? null : <i>K</i>}
      before={factorOf(common, 'K')}
      entries={K}
      power={power}
      parting={parting}
      reading={reading}
      block={block}
      at={at && { row: placeOf.get(at.row)!, column: placeOf.get(at.column)! }}
      onPoint={(e) => onPoint(e && dofs(e))}
      onPick={(e) => onPick(dofs(e))}
    />
  )
}

/** The whole in a window of its own, where it does not fit a page. */
function TooLarge(props: Pick<LargeMatrixProps, 'solution' | 'address' | 'power' | 'lit' | 'onPick'>) {
  const { context } = useStiffnessBook()
  const ordered = useMemo(() => working.inOrder(working.unknowns(context)), [context])
  return <LargeMatrix label="stiffness of the whole structure" rows={ordered} columns={ordered} {...props} />
}

interface GrowingProps {
  growing: boolean
  setGrowing: (growing: boolean) => void
  at: number
  choose: (member: number) => void
  solution: StepProps['solution']
  id: string
}

/** Whether K is shown whole or as it has grown up to a member, and the ways from member to member. */
function Growing({ growing, setGrowing, at, choose, solution, id }: GrowingProps) {
  const { length } = solution.elements
  return (
    <span>
      {growing ? `K with the members up to ${id}` : 'The whole'}
      {solution.dofs.list.length <= WHOLE && length > 1 && (
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
