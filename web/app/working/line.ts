import { working } from '@viga/core'

/** A formula to be typeset, and as it is read aloud. */
export interface Typeset {
  tex: string
  plain: string
}

/**
 * What stands in the line of a number: its letters, the same with numbers put in, or in words where it came
 * from.
 */
export interface Line {
  letters: Typeset
  numbers?: Typeset
  words?: string
  /** The numbers take a line of their own. */
  long: boolean
  /** The largest term of the number, against which rounding error is recognised and shown as 0. */
  most: number
}

/** Formulas longer than this, as LaTeX, take a line of their own. */
const LONG = 120

/**
 * The line of a number by its address; `within` is the member spoken of, whose name letters need not carry.
 */
export function lineOf(
  ledger: working.Ledger,
  at: string,
  within: string | undefined,
  reading: working.Reading,
): Line {
  const { symbol, value, origin } = ledger.origin(at)
  const name = working.symbolLatex(symbol, within)
  const plain = working.symbolText(symbol)
  const f = origin.kind === 'formula' && origin.formula.t !== 'number' ? origin.formula : undefined
  // a name that is a formula itself, such as EI/L³ or EA, is not said twice
  const named = f && !working.repeatsName(symbol, f) ? f : undefined
  const letters = named ? working.formulaLatex(named, 'letters', within) : undefined
  const numbers =
    f && f.t !== 'letter' ? working.formulaLatex(f, 'numbers', undefined, reading.figures) : undefined
  const long = (letters?.length ?? 0) + (numbers?.length ?? 0) > LONG
  // a line ends within a bracket only where the bracket does not grow with what it holds, and need not
  const breaking = (tex: string) =>
    long && !/\\left\(.*\\(frac|int)/.test(tex)
      ? tex.replaceAll('\\left(', '(').replaceAll('\\right)', ')')
      : tex
  return {
    letters: {
      tex: letters === undefined ? `\\displaystyle ${name}` : breaking(`\\displaystyle ${name}=${letters}`),
      plain: named ? `${plain} = ${working.formulaText(named)}` : plain,
    },
    numbers:
      numbers === undefined
        ? undefined
        : { tex: breaking(`\\displaystyle {}=${numbers}`), plain: `= ${working.formulaText(f!, 'numbers')}` },
    words: origin.kind !== 'formula' || f?.t === 'letter' ? origin.words : undefined,
    long,
    most: Math.max(f ? working.evaluateFormula(f).size : 0, Math.abs(value)),
  }
}
