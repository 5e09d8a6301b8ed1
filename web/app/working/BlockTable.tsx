import { working } from '@viga/core'
import { useWorkingView } from './working-view'
import { MatrixOut } from './MatrixOut'
import { Num } from './Num'
import { NumberMark } from './NumberMark'

/** A table of the working: words, marks of unknowns, and numbers that can be opened. */
export function BlockTable({ block }: { block: working.TableBlock }) {
  const { ledger } = useWorkingView()
  const { out, most } = columnOf(block, ledger)
  /** Many numbers beside each other whose unit the title has. */
  const isSheet = block.rows.some((r) => r.some((c) => typeof c === 'object' && 'bare' in c))
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
      <div className={isSheet ? 'worksheet-scroll' : undefined}>
        <table className={isSheet ? 't steps-table worksheet' : 't steps-table'}>
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
                      <Num at={c.at} unit={!c.bare} most={most} />
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  )
}

/** The numbers of the last column, to be copied or saved, and the largest of all. */
function columnOf(block: working.TableBlock, ledger: working.Ledger) {
  const numbers = block.rows.map((r) =>
    r.flatMap((c) => (typeof c === 'object' && 'at' in c ? [ledger.entry(c.at)?.value ?? 0] : [])),
  )
  return {
    out: numbers.flatMap((r) => r.slice(-1)).map((v) => [v]),
    most: Math.max(0, ...numbers.flat().map(Math.abs)),
  }
}
