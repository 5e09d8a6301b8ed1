import { working } from '@viga/core'
import { useEffect } from 'react'
import { Press } from '../widgets/Press'
import { Formula } from '../widgets/Formula'
import { Num } from './Num'
import { useBook } from './book'

/**
 * Where an opened number came from: its formula, the numbers put in, and each of those to be opened in turn,
 * down to what is given.
 */
export function Derivation() {
  const { ledger, reading, trail, open } = useBook()
  const address = trail.at(-1)
  useEffect(() => {
    if (!address) return
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && open(null)
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [address, open])
  if (!address || !ledger.entry(address)) return null
  const { symbol, value, unit, origin } = ledger.origin(address)
  const name = working.symbolLatex(symbol)
  const result = `${working.numberLatex(working.shown(value, reading))}${unit ? `\\;${working.wordsLatex(unit)}` : ''}`
  const inputs = origin.kind === 'formula' ? working.letters(origin.formula) : []
  const copies = origin.kind === 'formula' && origin.formula.t === 'letter'
  return (
    <section className="derivation" aria-label="Where this number came from">
      <header>
        <nav aria-label="Opened numbers">
          {trail.map((a, i) => {
            const e = ledger.entry(a)
            return (
              e && (
                <span key={i}>
                  {i > 0 && <span className="quiet"> from </span>}
                  {i === trail.length - 1 ? (
                    <Formula tex={working.symbolLatex(e.symbol)} plain={working.symbolText(e.symbol)} />
                  ) : (
                    <Press onClick={() => open(a)}>
                      <Formula tex={working.symbolLatex(e.symbol)} plain={working.symbolText(e.symbol)} />
                    </Press>
                  )}
                </span>
              )
            )
          })}
        </nav>
        <Press className="quiet link" onClick={() => open(null)}>
          esc
        </Press>
      </header>
      {origin.kind === 'formula' ? (
        <>
          <div className="derivation-line">
            <Formula
              tex={
                symbol.formula
                  ? `\\displaystyle ${name}`
                  : `\\displaystyle ${name}=${working.formulaLatex(origin.formula)}`
              }
              plain={`${working.symbolText(symbol)} = ${working.formulaText(origin.formula)}`}
            />
          </div>
          <div className="derivation-line">
            <Formula
              tex={`\\displaystyle\\phantom{${name}}=${copies ? '' : `${working.formulaLatex(origin.formula, 'numbers', undefined, reading.figures)}=`}${result}`}
              plain={
                `= ${working.formulaText(origin.formula, 'numbers')} = ${working.shown(value, reading)} ` +
                `${unit}`
              }
            />
          </div>
          {origin.words && <p className="quiet">{origin.words}</p>}
          <ul>
            {inputs.map((l) => (
              <li key={l.address}>
                <Formula tex={working.symbolLatex(l.symbol)} plain={working.symbolText(l.symbol)} /> ={' '}
                <Num at={l.address} unit />
              </li>
            ))}
          </ul>
        </>
      ) : (
        <>
          <div className="derivation-line">
            <Formula
              tex={`${name}=${result}`}
              plain={`${working.symbolText(symbol)} = ${working.shown(value, reading)} ${unit}`}
            />
          </div>
          <p className="prose">{origin.words}</p>
        </>
      )}
    </section>
  )
}
