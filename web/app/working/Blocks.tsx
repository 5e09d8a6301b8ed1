import { formatPlain, working } from '@viga/core'
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Formula } from '../widgets/Formula'
import { useSheetStore } from '../sheet/context'
import { casesShown, endForcesOf, heldMember } from '@viga/drawing/fixed-end-figure'
import { SceneView } from '../figure/SceneView'
import { targetOf } from '../sheet/targets'
import { LargeMatrix } from './LargeMatrix'
import { lineOf } from './line'
import { MatrixOut } from './MatrixOut'
import { MatrixView } from './MatrixView'
import { Num } from './Num'
import { NumberMark } from './NumberMark'
import { hasChanged, numberWords, targetsOfNumber, useBook } from './book'

/**
 * The parts of a step as the page shows them. `within` is the member they speak of, whose name letters need
 * not carry.
 */
export function Blocks({ blocks, within }: { blocks: readonly working.Block[]; within?: string }) {
  return blocks.map((b, i) => {
    switch (b.kind) {
      case 'words':
        return (
          <p key={i} className="prose">
            {b.words}
          </p>
        )
      case 'lines':
        return <Lines key={i} {...b} within={within} />
      case 'matrix':
        return Math.max(b.rows.length, b.columns.length) > WHOLE ? (
          <LargeBlock key={`${i} ${b.title}`} block={b} />
        ) : (
          <Matrix key={`${i} ${b.title}`} block={b} within={within} />
        )
      case 'table':
        return <Table key={i} block={b} />
      case 'equation':
        return (
          <div key={i} className="formula-block equation">
            <Formula
              tex={working.equationLatex(b)}
              plain={`${working.formulaText(b.left)} = ${working.formulaText(b.right)}`}
            />
          </div>
        )
      case 'drawing':
        return <Drawing key={i} block={b} />
      case 'polynomial':
        return <Polynomial key={i} block={b} />
    }
  })
}

/** Numbers one below the other: letters, numbers put in, result. */
function Lines({ title, addresses, within }: { title?: string; addresses: string[]; within?: string }) {
  return (
    <>
      {title && <div className="matrix-head">{title}</div>}
      <div className="lines">
        {addresses.map((a) => (
          <Line key={a} at={a} within={within} />
        ))}
      </div>
    </>
  )
}

const Line = memo(function Line({ at, within }: { at: string; within?: string }) {
  const { ledger, reading } = useBook()
  const store = useSheetStore()
  // its number is new with the edit; the formula beside it follows, so that typing never waits for it
  const later = useDeferredValue(ledger)
  const { letters, numbers, words, long, most } = useMemo(
    () => lineOf(later, at, within, reading),
    [later, at, within, reading],
  )
  return (
    <div
      className="reckon"
      onMouseEnter={() => store.getState().point(targetOf(targetsOfNumber(at, ledger)) || null)}
      onMouseLeave={() => store.getState().point(null)}
    >
      <span className="reckon-left">
        <Formula {...letters} />
        {numbers && (
          <span className={long ? 'below' : undefined}>
            <Formula {...numbers} />
          </span>
        )}
        {words && <span className="quiet"> {words}</span>}
      </span>
      <span className="reckon-right">
        = <Num at={at} unit most={most} />
      </span>
    </div>
  )
})

const markOf = (m: working.Mark) => ('unknown' in m ? m.unknown : null)

/** A matrix of the step: in numbers, each to be opened, or in letters. */
export const Matrix = memo(function Matrix({
  block,
  within,
}: {
  block: working.MatrixBlock
  within?: string
}) {
  const { ledger, reading, before, open, trail, pinned, pin } = useBook()
  const store = useSheetStore()
  const [spelled, setSpelled] = useState(false)
  const { rows, columns, at, parting, title, unit } = block
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
  const place = useMemo(() => {
    for (let i = 0; i < rows.length; i++)
      for (let j = 0; j < columns.length; j++) if (opened === at(i, j)) return { row: i, column: j }
    return null
  }, [opened, rows, columns, at])
  const changed = useMemo(
    () => (before ? (i: number, j: number) => hasChanged(at(i, j), ledger, before) : undefined),
    [before, ledger, at],
  )
  const isPinned =
    pinned !== null &&
    pinned.block.title === title &&
    pinned.within === within &&
    pinned.block.letter === block.letter
  const factor = block.factor === undefined ? undefined : ledger.entry(block.factor)
  const [head, below] = block.letter.split('_')
  const letter = below ? (
    <i>
      {head}
      <sub>{below}</sub>
    </i>
  ) : (
    <i>{head}</i>
  )
  return (
    <>
      <div className="matrix-head">
        <span>{title}</span>
        <span className="quiet">
          {unit && working.powerWords(power, unit)}{' '}
          {block.letters && (
            <button type="button" className="link" onClick={() => setSpelled(!spelled)}>
              {spelled ? 'numbers' : 'letters'}
            </button>
          )}
          <button
            type="button"
            className="link"
            aria-pressed={isPinned}
            title="Keep this matrix in view while reading on"
            onClick={() => pin(isPinned ? null : { block, within })}
          >
            {isPinned ? 'unpin' : 'pin'}
          </button>
          <MatrixOut name={`${block.letter}${within ? ` of ${within}` : ''}`} values={entries.values} />
        </span>
      </div>
      {spelled ? (
        <Spelled block={block} within={within} />
      ) : (
        <MatrixView
          label={`${title}${within ? ` of ${within}` : ''}`}
          name={factor ? null : letter}
          before={
            factor && (
              <Formula
                tex={
                  `\\displaystyle ` +
                  `${block.letter.replace('°', '^{\\circ}').replace(/_(\w+)/, '_{\\text{$1}}')}=${working.symbolLatex(factor.symbol, within)}`
                }
                plain={`${block.letter} = ${working.symbolText(factor.symbol)} times`}
              />
            )
          }
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
          onPoint={(p) =>
            store.getState().point(p && (targetOf(targetsOfNumber(at(p.row, p.column), ledger)) || null))
          }
        />
      )}
    </>
  )
})

/** A matrix of more rows or columns than this stands in a window of its own. */
export const WHOLE = 30

/** A part of K that is too large to be written out. */
function LargeBlock({ block }: { block: working.MatrixBlock }) {
  const { ledger, reading } = useBook()
  const { rows, columns, at, title, unit } = block
  const { solution } = ledger.context
  const unknownsOf = (marks: readonly working.Mark[]) =>
    marks.flatMap((m) => ('unknown' in m ? [m.unknown] : []))
  const [r, c] = useMemo(() => [unknownsOf(rows), unknownsOf(columns)], [rows, columns])
  const placeOf = useMemo(() => [r, c].map((all) => new Map(all.map((u, i) => [u.index, i]))), [r, c])
  const address = useCallback(
    (row: number, column: number) => at(placeOf[0].get(row)!, placeOf[1].get(column)!),
    [at, placeOf],
  )
  const power = useMemo(
    () => (reading.power && !block.factor ? powerOfLarge(ledger) : 0),
    [ledger, reading.power, block.factor],
  )
  return (
    <>
      <div className="matrix-head">
        <span>{title}</span>
        <span className="quiet">{working.powerWords(power, unit)}</span>
      </div>
      <LargeMatrix label={title} solution={solution} rows={r} columns={c} address={address} power={power} />
    </>
  )
}

/** The power of ten of the entries on the diagonal of K, the largest of it. */
export const powerOfLarge = (ledger: working.Ledger): number =>
  working.commonPower([
    ledger.context.solution.dofs.list.map(
      (_, i) => ledger.entry(working.addressOf('K', i + 1, i + 1))!.value,
    ),
  ])

/** The same with the formulas of its entries. */
function Spelled({ block, within }: { block: working.MatrixBlock; within?: string }) {
  const { ledger, reading } = useBook()
  const tex = useMemo(() => {
    const cell = (a: string) => {
      const { origin, value } = ledger.origin(a)
      return origin.kind === 'formula'
        ? working.formulaLatex(origin.formula, 'letters', within)
        : working.numberLatex(numberWords(value, reading))
    }
    const factor =
      block.factor === undefined
        ? ''
        : `\\displaystyle ${working.symbolLatex(ledger.entry(block.factor)!.symbol, within)}`
    return `\\def\\arraystretch{1.55}${block.letter.replace('°', '^{\\circ}')}=${factor}\\begin{bmatrix}${block.rows.map((_, i) => block.columns.map((_, j) => cell((block.lettersAt ?? block.at)(i, j))).join('&')).join('\\\\')}\\end{bmatrix}`
  }, [block, ledger, reading, within])
  return (
    <div className="formula-block">
      <Formula tex={tex} plain={`${block.letter} in letters`} />
    </div>
  )
}

function Table({ block }: { block: working.TableBlock }) {
  const { ledger } = useBook()
  /** Its numbers as a column, to be copied or saved. */
  const out = block.rows
    .flatMap((r) =>
      r
        .flatMap((c) => (typeof c === 'object' && 'at' in c ? [ledger.entry(c.at)?.value ?? 0] : []))
        .slice(-1),
    )
    .map((v) => [v])
  const most = Math.max(
    0,
    ...block.rows.flatMap((r) =>
      r.flatMap((c) =>
        typeof c === 'object' && 'at' in c ? [Math.abs(ledger.entry(c.at)?.value ?? 0)] : [],
      ),
    ),
  )
  return (
    <>
      {(block.title || out.length > 1) && (
        <div className="matrix-head">
          <span>{block.title}</span>
          {out.length > 1 && (
            <span className="quiet">
              <MatrixOut name={block.title ?? block.head[block.head.length - 1]} values={out} />
            </span>
          )}
        </div>
      )}
      <table className="t steps-table">
        {block.head.some(Boolean) && (
          <thead>
            <tr>{block.head.map((h, i) => (h ? <th key={i}>{h}</th> : <td key={i} />))}</tr>
          </thead>
        )}
        <tbody>
          {block.rows.map((row, i) => (
            <tr key={i}>
              {row.map((c, j) => (
                <td
                  key={j}
                  className={j === 0 && typeof c === 'string' && block.head[0] ? 'italic' : undefined}
                >
                  {typeof c === 'string' ? (
                    c
                  ) : 'unknown' in c ? (
                    <NumberMark of={c.unknown} />
                  ) : (
                    <Num at={c.at} unit most={most} />
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

const NOTHING_LIT: ReadonlySet<string> = new Set()

/** The member held at both ends, as it is drawn beside its fixed-end forces. */
function Drawing({ block }: { block: working.DrawingBlock }) {
  const { ledger, reading } = useBook()
  const { solution, display } = ledger.context
  const drawn = useMemo(
    () =>
      heldMember(
        solution.structure,
        block.member,
        casesShown(ledger),
        display,
        endForcesOf(ledger, block, reading),
      ),
    [solution, block, ledger, display, reading],
  )
  return (
    <svg
      className="held-member"
      viewBox={`0 ${drawn.top} ${drawn.width} ${drawn.height}`}
      style={{ maxWidth: drawn.width }}
      role="img"
      aria-label={
        `${solution.structure.members[block.member].id} held at both ends, with its loads and ` +
        'fixed-end forces'
      }
    >
      <SceneView groups={drawn.groups} labels={drawn.labels} lit={NOTHING_LIT} />
    </svg>
  )
}

/** A force along a stretch as a polynomial in t; its coefficients can be opened. */
function Polynomial({ block }: { block: working.PolynomialBlock }) {
  const { ledger } = useBook()
  const values = block.coefficients.map((a) => ledger.entry(a)?.value ?? 0)
  const h = block.to - block.from
  const most = Math.max(...values.map((v, p) => Math.abs(v) * h ** p))
  const terms = block.coefficients
    .map((a, p) => ({ a, p, v: values[p] }))
    .filter(({ v, p }) => Math.abs(v) * h ** p > 1e-11 * most)
  return (
    <div className="reckon polynomial">
      <span className="reckon-left">
        <i>{block.force}</i> <span className="quiet">in {ledger.entry(block.coefficients[0])?.unit}</span> ={' '}
        {terms.length === 0
          ? '0'
          : terms.map(({ a, p, v }, i) => (
              <span key={a} className="term">
                {v < 0 && i > 0 ? ' − ' : i > 0 ? ' + ' : ''}
                <Coefficient at={a} unsigned={i > 0} />
                {p > 0 && (
                  <>
                    ·<i>t</i>
                    {p > 1 && <sup>{p}</sup>}
                  </>
                )}
              </span>
            ))}
      </span>
      <span className="reckon-right ro">
        {block.from === 0 ? 't = x' : `t = x − ${formatPlain(block.from, 5)}`}, to x ={' '}
        {formatPlain(block.to, 5)}
      </span>
    </div>
  )
}

/** A coefficient behind its sign, which stands before it. */
function Coefficient({ at, unsigned }: { at: string; unsigned: boolean }) {
  const { ledger, reading, open, trail } = useBook()
  const entry = ledger.entry(at)!
  return (
    <button
      type="button"
      className="num"
      aria-pressed={trail.at(-1) === at}
      title={`${entry.value} ${entry.unit}`}
      onClick={() => open(at)}
    >
      {numberWords(unsigned ? Math.abs(entry.value) : entry.value, reading)}
    </button>
  )
}
