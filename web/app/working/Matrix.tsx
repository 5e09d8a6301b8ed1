import { working } from '@viga/core'
import { memo, useMemo, useState } from 'react'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import { Formula } from '../widgets/Formula'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { hasChanged, useWorkingView } from './working-view'
import { MatrixOut } from './MatrixOut'
import { MatrixView } from './MatrixView'

const markOf = (m: working.Mark) => ('unknown' in m ? m.unknown : null)

/** The letter of a matrix, with what stands below it. */
function MatrixLetter({ letter }: { letter: string }) {
  const [head, below] = letter.split('_')
  return (
    <i>
      {head}
      {below && <sub>{below}</sub>}
    </i>
  )
}

/** The letter as LaTeX, and behind its equal sign the factor that is taken out. */
function TakenOut({ block, within }: { block: working.MatrixBlock; within?: string }) {
  const { ledger } = useWorkingView()
  const { symbol } = ledger.entry(block.factor!)!
  const letter = block.letter.replace('°', '^{\\circ}').replace(/_(\w+)/, '_{\\text{$1}}')
  return (
    <Formula
      tex={`\\displaystyle ${letter}=${working.symbolLatex(symbol, within)}`}
      plain={`${block.letter} = ${working.symbolText(symbol)} times`}
    />
  )
}

/**
 * What stands above a matrix: its title, its unit, and how it is kept in view, spelled out or taken along.
 */
function MatrixHead({
  block,
  within,
  power,
  values,
  spelled,
  spell,
}: {
  block: working.MatrixBlock
  within?: string
  power: number
  values: readonly (readonly number[])[]
  spelled: boolean
  spell: (letters: boolean) => void
}) {
  const { pinned, pin } = useWorkingView()
  const isPinned =
    pinned !== null &&
    pinned.block.title === block.title &&
    pinned.within === within &&
    pinned.block.letter === block.letter
  return (
    <div className="matrix-head">
      <span>{block.title}</span>
      <span className="quiet">
        {block.unit && working.powerWords(power, block.unit)}{' '}
        {block.letters && (
          <Press className="link" onClick={() => spell(!spelled)}>
            {spelled ? 'numbers' : 'letters'}
          </Press>
        )}
        <Toggle
          className="link"
          on={isPinned}
          title="Keep this matrix in view while reading on"
          onClick={() => pin(isPinned ? null : { block, within })}
        >
          {isPinned ? 'unpin' : 'pin'}
        </Toggle>
        <MatrixOut name={`${block.letter}${within ? ` of ${within}` : ''}`} values={values} />
      </span>
    </div>
  )
}

/** The row and column of the opened number, where it stands in this matrix. */
function placeIn({ rows, columns, at }: working.MatrixBlock, opened: string | undefined) {
  for (let i = 0; i < rows.length; i++)
    for (let j = 0; j < columns.length; j++) if (opened === at(i, j)) return { row: i, column: j }
  return null
}

/** A matrix of the step: in numbers, each to be opened, or in letters. */
export const Matrix = memo(function Matrix({
  block,
  within,
}: {
  block: working.MatrixBlock
  within?: string
}) {
  const { ledger, reading, before, open, trail } = useWorkingView()
  const store = useSheetStore()
  const [spelled, setSpelled] = useState(false)
  const { rows, columns, at, parting, title } = block
  const entries = useMemo(
    () => ({
      rows: rows.map(markOf),
      columns: columns.map(markOf),
      values: rows.map((_, i) => columns.map((_, j) => ledger.entry(at(i, j))?.value ?? 0)),
    }),
    [rows, columns, at, ledger],
  )
  const power = working.powerOf(block, entries.values, reading)
  const plain = rows.every((r) => 'words' in r)
  const opened = trail.at(-1)
  const place = useMemo(() => placeIn(block, opened), [block, opened])
  const changed = useMemo(
    () => (before ? (i: number, j: number) => hasChanged(at(i, j), ledger, before) : undefined),
    [before, ledger, at],
  )
  const factored = block.factor !== undefined && ledger.entry(block.factor) !== undefined
  const head = { block, within, power, values: entries.values, spelled, spell: setSpelled }
  if (spelled)
    return (
      <>
        <MatrixHead {...head} />
        <Spelled block={block} within={within} />
      </>
    )
  return (
    <>
      <MatrixHead {...head} />
      <MatrixView
        label={`${title}${within ? ` of ${within}` : ''}`}
        name={factored ? null : <MatrixLetter letter={block.letter} />}
        before={factored && <TakenOut block={block} within={within} />}
        entries={entries}
        power={power}
        parting={parting}
        plainNumbers={plain}
        marks={plain ? rows.map((r) => ('words' in r ? r.words : '')) : undefined}
        augmented={!plain && 'words' in columns[columns.length - 1] && columns.length === rows.length + 1}
        at={place}
        changed={changed}
        reading={reading}
        onPick={({ row, column }) => open(at(row, column))}
        onPoint={(p) => store.getState().point(p && (targetOf(ledger.belongs(at(p.row, p.column))) || null))}
      />
    </>
  )
})

/** The same with the formulas of its entries. */
function Spelled({ block, within }: { block: working.MatrixBlock; within?: string }) {
  const { ledger, reading } = useWorkingView()
  const tex = useMemo(() => {
    const cell = (a: string) => {
      const { origin, value } = ledger.origin(a)
      return origin.kind === 'formula'
        ? working.formulaLatex(origin.formula, 'letters', within)
        : working.numberLatex(working.shown(value, reading))
    }
    const factor =
      block.factor === undefined
        ? ''
        : `\\displaystyle ${working.symbolLatex(ledger.entry(block.factor)!.symbol, within)}`
    const at = block.lettersAt ?? block.at
    const rows = block.rows.map((_, i) => block.columns.map((_, j) => cell(at(i, j))).join('&'))
    return (
      `\\def\\arraystretch{1.55}${block.letter.replace('°', '^{\\circ}')}=${factor}` +
      `\\begin{bmatrix}${rows.join('\\\\')}\\end{bmatrix}`
    )
  }, [block, ledger, reading, within])
  return (
    <div className="formula-block">
      <Formula tex={tex} plain={`${block.letter} in letters`} />
    </div>
  )
}
