import { working } from '@viga/core'
import { useEffect } from 'react'
import { Press } from '../widgets/Press'
import { Formula } from '../widgets/Formula'
import { Num } from './Num'
import { SameElsewhere } from './SameElsewhere'
import { useWorkingView, type WorkingView } from './working-view'

/**
 * Where an opened number came from: its formula, the numbers put in, and each of those to be opened in turn,
 * down to what is given.
 */
export function Derivation() {
  const { ledger, reading, trail, open } = useWorkingView()
  const address = trail.at(-1)
  useEffect(() => {
    if (!address) return
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && open(null)
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [address, open])
  if (!address || !ledger.entry(address)) return null
  const { origin } = ledger.origin(address)
  return (
    <section className="derivation" aria-label="Where this number came from">
      <header>
        <Trail trail={trail} open={open} />
        <Press className="quiet link" onClick={() => open(null)}>
          esc
        </Press>
      </header>
      {origin.kind === 'formula' ? (
        <ByFormula address={address} formula={origin.formula} words={origin.words} reading={reading} />
      ) : (
        <Stated address={address} words={origin.words} />
      )}
      <SameElsewhere address={address} />
    </section>
  )
}

/** The numbers that were opened one after another; each leads back to itself. */
function Trail({ trail, open }: Pick<WorkingView, 'trail' | 'open'>) {
  const { ledger } = useWorkingView()
  return (
    <nav aria-label="Opened numbers">
      {trail.map((a, i) => {
        const e = ledger.entry(a)
        if (!e) return null
        const symbol = <Symbol of={e.symbol} />
        return (
          <span key={i}>
            {i > 0 && <span className="quiet"> from </span>}
            {i === trail.length - 1 ? symbol : <Press onClick={() => open(a)}>{symbol}</Press>}
          </span>
        )
      })}
    </nav>
  )
}

const Symbol = ({ of }: { of: working.LetterName }) => (
  <Formula tex={working.symbolLatex(of)} plain={working.symbolText(of)} />
)

/** The value of a number with its unit, as it is typeset and as plain text. */
function useResult(address: string) {
  const { ledger, reading } = useWorkingView()
  const { symbol, value, unit } = ledger.origin(address)
  const number = working.shown(value, reading)
  return {
    symbol,
    name: working.symbolLatex(symbol),
    tex: `${working.numberLatex(number)}${unit ? `\\;${working.wordsLatex(unit)}` : ''}`,
    plain: `${number} ${unit}`,
  }
}

/** A number that is given or was solved for: its value, and in words what it is. */
function Stated({ address, words }: { address: string; words: string }) {
  const { symbol, name, tex, plain } = useResult(address)
  return (
    <>
      <div className="derivation-line">
        <Formula tex={`${name}=${tex}`} plain={`${working.symbolText(symbol)} = ${plain}`} />
      </div>
      <p className="prose">{words}</p>
    </>
  )
}

interface ByFormulaProps {
  address: string
  formula: working.Formula
  words: string | undefined
  reading: working.Reading
}

/** A number by its formula: in letters, with the numbers put in, and each of those to be opened. */
function ByFormula({ address, formula, words, reading }: ByFormulaProps) {
  const { symbol, name, tex, plain } = useResult(address)
  const numbers = working.formulaLatex(formula, 'numbers', undefined, reading.figures)
  const letters = working.repeatsName(symbol, formula) ? '' : `=${working.formulaLatex(formula)}`
  return (
    <>
      <div className="derivation-line">
        <Formula
          tex={`\\displaystyle ${name}${letters}`}
          plain={`${working.symbolText(symbol)} = ${working.formulaText(formula)}`}
        />
      </div>
      <div className="derivation-line">
        <Formula
          tex={`\\displaystyle\\phantom{${name}}=${formula.t === 'letter' ? '' : `${numbers}=`}${tex}`}
          plain={`= ${working.formulaText(formula, 'numbers')} = ${plain}`}
        />
      </div>
      {words && <p className="quiet">{words}</p>}
      <ul>
        {working.letters(formula).map((l) => (
          <li key={l.address}>
            <Symbol of={l.symbol} /> = <Num at={l.address} unit />
          </li>
        ))}
      </ul>
    </>
  )
}
