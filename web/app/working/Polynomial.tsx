import { formatPlain, working } from '@viga/core'
import { useWorkingView } from './working-view'

/** A force along a stretch as a polynomial in t; its coefficients can be opened. */
export function Polynomial({ block }: { block: working.PolynomialBlock }) {
  const { ledger } = useWorkingView()
  const values = block.coefficients.map((a) => ledger.entry(a)?.value ?? 0)
  const h = block.to - block.from
  const most = Math.max(...values.map((v, p) => Math.abs(v) * h ** p))
  const terms = block.coefficients
    .map((a, p) => ({ a, p, v: values[p] }))
    .filter(({ v, p }) => !working.isRounding(v * h ** p, most))
  const unit = ledger.entry(block.coefficients[0])?.unit
  return (
    <div className="reckon polynomial">
      <span className="reckon-left">
        <i>{block.force}</i> <span className="quiet">in {unit}</span> ={' '}
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
  const { ledger, reading, open, trail } = useWorkingView()
  const entry = ledger.entry(at)!
  return (
    <button
      type="button"
      className="num"
      aria-pressed={trail.at(-1) === at}
      title={`${entry.value} ${entry.unit}`}
      onClick={() => open(at)}
    >
      {working.shown(unsigned ? Math.abs(entry.value) : entry.value, reading)}
    </button>
  )
}
