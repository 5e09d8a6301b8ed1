import {
  allHinged,
  allRigid,
  axialTurned,
  compareResults,
  formatNumber,
  withoutI,
  working,
  type Compared,
  type Problem,
} from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { LitRow } from '../../fields/LitRow'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { keepStatement, keptStatements, type KeptStatement } from '../../sheet/kept-statements'
import type { Comparison } from '../../sheet/results-view'
import { useCompared } from '../../sheet/use-compared'
import { Block } from '../../widgets/Block'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import { actionsOf, type Solved } from '../solved'

/** Idealisations that a result may be compared with, each made of the problem as it is stated now. */
const VARIANTS: Record<string, { title: (p: Problem) => string; make: (p: Problem) => Problem }> = {
  hinged: { title: () => 'all joints hinged', make: allHinged },
  rigid: { title: () => 'all joints rigid', make: allRigid },
  axial: {
    title: (p) => (p.analysis?.neglectAxial ? 'members change their length' : 'members keep their length'),
    make: axialTurned,
  },
}

/**
 * The result that is shown against another: of a case, of another idealisation, or of an earlier statement.
 */
export default function Compare(solved: Solved) {
  const display = useDisplay()
  const compared = useCompared()
  const rows = useMemo(
    () => (compared.stage === 'solved' ? compareResults(solved, compared, display) : undefined),
    [solved, compared, display],
  )
  return (
    <>
      <Against {...solved} />
      {compared.stage === 'none' && (
        <p className="prose">
          Choose what to compare with: the diagrams are laid over each other on the Figure, the second one
          dashed, and the numbers stand side by side.
        </p>
      )}
      {compared.stage === 'solving' && <p className="quiet">solving …</p>}
      {compared.stage === 'failed' && (
        <p className="prose pencil" role="alert">
          With {compared.title} there is no solution. {compared.message}
        </p>
      )}
      {rows && compared.stage === 'solved' && (
        <>
          <Side title="Members" rows={rows.members} second={compared.title} />
          <Side title="Reactions" rows={rows.reactions} second={compared.title} />
          <Side title="Displacements" rows={rows.displacements} second={compared.title} />
        </>
      )}
    </>
  )
}

/** Earlier states of the statement that were kept in this browser. */
function useKept(id: string) {
  const [kept, setKept] = useState<KeptStatement[]>([])
  useEffect(() => {
    let here = true
    void keptStatements(id).then((all) => here && setKept(all))
    return () => {
      here = false
    }
  }, [id])
  return [kept, setKept] as const
}

/**
 * What a result is most likely compared with: rigid joints of a truss, axial deformation of a frame, and
 * another case of a beam, in which nothing acts along the members.
 */
function likeliest(p: Problem, { solution, action }: Solved): string {
  if (p.kind === 'truss') return 'rigid'
  const other = actionsOf(solution).find((a) => a.id !== action.id)
  return other && working.isBeam(solution) ? `case ${other.id}` : 'axial'
}

/** What is compared with; a variant follows the statement as it is edited. */
function useComparison(kept: readonly KeptStatement[], solved: Solved) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const comparison = useSheet((s) => s.comparison)
  // only when the view is opened: a person may choose nothing
  const [first] = useState(() =>
    comparison.kind === 'none' ? likeliest(problem, solved) : choiceOf(comparison),
  )
  const [choice, setChoice] = useState(first)
  useEffect(() => {
    const variant = VARIANTS[choice]
    if (variant)
      store.setState({
        comparison: { kind: 'problem', title: variant.title(problem), problem: variant.make(problem) },
      })
  }, [choice, problem, store])
  useEffect(() => {
    const begins = comparisonOf(first, [])
    if (begins && store.getState().comparison.kind === 'none') store.setState({ comparison: begins })
  }, [first, store])
  const choose = (to: string) => {
    setChoice(to)
    const next = comparisonOf(to, kept)
    if (next) store.setState({ comparison: next })
  }
  return [choice, choose] as const
}

function Against(solved: Solved) {
  const id = useSheet((s) => s.id)
  const problem = useSheet((s) => s.problem)
  const [kept, setKept] = useKept(id)
  const [choice, choose] = useComparison(kept, solved)
  return (
    <div className="table-options">
      <label>
        <span className="quiet">Compare with</span>
        <Pick
          className="cell-select"
          aria-label="compare with"
          value={choice}
          onChange={(e) => choose(e.target.value)}
        >
          {offers(problem, solved, kept).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Pick>
      </label>
      {choice === 'rigid' && withoutI(problem).length > 0 && (
        <span className="quiet">
          {withoutI(problem).join(', ')}: no I is stated, so a solid square of the same area is taken, I =
          A²/12
        </span>
      )}
      <Press className="textlink" onClick={() => void keepStatement(id, problem).then(setKept)}>
        Keep the statement as it is now
      </Press>
      {kept.length > 0 && <span className="quiet">{kept.length} kept in this browser</span>}
    </div>
  )
}

/** What the shown result may be compared with: changed statements, other cases, kept statements. */
const offers = (
  problem: Problem,
  { solution, action }: Solved,
  kept: readonly KeptStatement[],
): [key: string, words: string][] => [
  ['none', 'nothing'],
  ...Object.entries(VARIANTS).map(([key, v]): [string, string] => [key, v.title(problem)]),
  ...(action.bent ? [['first-order', 'first order'] as [string, string]] : []),
  ...actionsOf(solution)
    .filter((a) => a.id !== action.id)
    .map((a): [string, string] => [`case ${a.id}`, a.title]),
  ...kept.map((k, i): [string, string] => [`kept ${i}`, `as it was kept ${new Date(k.at).toLocaleString()}`]),
]

const choiceOf = (c: Comparison): string =>
  c.kind === 'action' ? `case ${c.id}` : c.kind === 'first-order' ? 'first-order' : 'none'

function comparisonOf(choice: string, kept: readonly KeptStatement[]): Comparison | undefined {
  if (choice === 'none' || choice === 'first-order') return { kind: choice }
  if (choice.startsWith('case ')) return { kind: 'action', id: choice.slice(5) }
  const at = choice.startsWith('kept ') ? kept[Number(choice.slice(5))] : undefined
  return at && { kind: 'problem', title: 'the kept statement', problem: at.problem }
}

const shown = (v: number | null) => (v === null ? '–' : formatNumber(v))
const MOST_ROWS = 200

/** The values of both results, their difference, and the growth from the first to the second in percent. */
function Side({ title, rows, second }: { title: string; rows: readonly Compared[]; second: string }) {
  return (
    <Block title={title}>
      <table className="t">
        <thead>
          <tr>
            <th>of</th>
            <th>quantity</th>
            <th className="n">shown</th>
            <th className="n wrapped">{second}</th>
            <th className="n">difference</th>
            <th className="n">growth, %</th>
            <th>unit</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, MOST_ROWS).map((r) => (
            <LitRow key={`${r.of} ${r.quantity}`} target={r.target} label={r.of}>
              <td className="quiet">{r.quantity}</td>
              <td className="n">{shown(r.first)}</td>
              <td className="n">{shown(r.second)}</td>
              <td className="n strong">{shown(r.difference)}</td>
              <td className="n">{r.percent === null ? '–' : formatNumber(r.percent, { figures: 3 })}</td>
              <td className="ro">{r.unit}</td>
            </LitRow>
          ))}
        </tbody>
      </table>
    </Block>
  )
}
