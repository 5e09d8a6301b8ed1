import {
  expressionLatex,
  expressionWords,
  formatNumber,
  isThing,
  letterLists,
  working,
  type Display,
  type InLetters,
  type LetterLine,
  type LetterList,
  type Problem,
  type Solution,
} from '@viga/core'
import LinearProgress from '@mui/material/LinearProgress'
import { useEffect, useMemo, useState } from 'react'
import { MemberName } from '../../fields/MemberName'
import { useRow } from '../../fields/rows'
import { useDisplay, useSheet } from '../../sheet/context'
import { lettersLater } from '../../sheet/in-letters'
import { Block } from '../../widgets/Block'
import { Formula } from '../../widgets/Formula'
import { Press } from '../../widgets/Press'
import { actionsOf, useSigns, type Solved } from '../solved'
import './letters.css'

/** The results of a case in letters, as a book prints them, each beside its number. */
export default function Letters({ solution, action }: Solved) {
  const problem = useSheet((s) => s.problem)
  const made = useLetters(problem, solution)
  const signs = useSigns()
  const hasSymbols = Object.keys(problem.symbols ?? {}).length > 0
  const lists = useMemo(() => {
    const shown = made && actionsOf(made.solution).find((a) => a.id === action.id)
    const inLetters = made?.found.results.get(action.id)
    return shown && inLetters && letterLists(made.solution, shown, inLetters, signs)
  }, [made, action, signs])
  if (!hasSymbols)
    return (
      <p className="quiet letters-none">
        No value of this problem is stated in letters. Name one among the symbols of the Given, w = 12 kN/m,
        and write it in place of its number: the results stand here in w.
      </p>
    )
  if (action.bent) return <p className="quiet letters-none">Second order has no results in letters.</p>
  if (!made) return <LinearProgress aria-label="solving in letters" />
  const isSaid = lists?.some(({ lines }) => lines.some((l) => l.expression !== null))
  if (!isSaid) return <p className="quiet letters-none">{made.found.missing}</p>
  return (
    <>
      {made.found.missing && <p className="quiet letters-none">{made.found.missing}</p>}
      {lists?.map((list) => (
        <List key={list.title} {...list} />
      ))}
      {lists && <Ways lists={lists} />}
    </>
  )
}

interface Made {
  found: InLetters
  /** The solution that they belong to: it may be that of before the last edit. */
  solution: Solution
}

/** The results of a problem in letters, made beside the page; those of before while new ones are made. */
function useLetters(problem: Problem, solution: Solution): Made | undefined {
  const [made, setMade] = useState<Made | undefined>()
  useEffect(
    () => lettersLater(problem, (found) => setMade({ found: found ?? { results: new Map() }, solution })),
    [problem, solution],
  )
  return made
}

function List({ title, lines }: LetterList) {
  return (
    <Block title={title}>
      <div className="letters-rows" tabIndex={0} role="group" aria-label={`rows of ${title} in letters`}>
        <table className="t letters" aria-label={`${title} in letters`}>
          <tbody>
            {lines.map((line, i) => (
              <Line key={i} line={line} again={lines[i - 1]?.target === line.target} />
            ))}
          </tbody>
        </table>
      </div>
    </Block>
  )
}

const numberOf = (value: number, { perSI, unit }: Display['force']): string =>
  Number.isFinite(value) ? `${formatNumber(value * perSI, { figures: 4 })} ${unit}` : 'undetermined'

function Line({ line, again }: { line: LetterLine; again: boolean }) {
  const display = useDisplay()
  const row = useRow(line.target)
  const [, label] = line.target.split(':')
  return (
    <tr {...row} className={[row.className, again && 'inner'].filter(Boolean).join(' ') || undefined}>
      <td>{again ? '' : isThing(line.target, 'member') ? <MemberName id={label} /> : <i>{label}</i>}</td>
      <td>
        <div className="letters-of">
          <Said {...line} number={numberOf(line.value, display[line.unit])} />
          {line.at?.expression != null && (
            <span className="letters-at">
              at{' '}
              <Said
                name={PLACE}
                expression={line.at.expression}
                number={numberOf(line.at.value, display.length)}
              />
            </span>
          )}
        </div>
      </td>
    </tr>
  )
}

/** The place of an extreme, from the start of its member. */
const PLACE = { letter: 'x' }

/** An expression with its long decimals written shorter; what is copied keeps all digits. */
const rounded = (expression: string) =>
  expression.replace(/\d+\.\d{5,}(?:e[+-]?\d+)?/g, (digits) => String(Number(Number(digits).toPrecision(5))))

interface SaidProps extends Pick<LetterLine, 'name' | 'expression'> {
  number: string
}

/** A name, what it is in letters, and its number: M = wL²/8 = 54 kN·m. */
function Said({ name, expression, number }: SaidProps) {
  const [tex, plain] = [working.symbolLatex(name), working.symbolText(name)]
  const isZero = expression === '0'
  return (
    <span className="letters-said">
      {expression === null ? (
        <Formula tex={tex} plain={plain} />
      ) : (
        <Formula
          tex={`${tex}=${expressionLatex(rounded(expression))}`}
          plain={`${plain} = ${expressionWords(rounded(expression))}`}
        />
      )}
      {!isZero && <span className="n"> = {number}</span>}
    </span>
  )
}

/** All lines to the clipboard, as expressions that the fields of Viga read, or as LaTeX. */
function Ways({ lists }: { lists: readonly LetterList[] }) {
  const [said, setSaid] = useState('')
  const copy = (what: string, lineOf: (line: LetterLine) => string) => {
    const text = lists
      .map(({ title, lines }) =>
        [title, ...lines.filter((l) => l.expression !== null).map(lineOf)].join('\n'),
      )
      .join('\n\n')
    void navigator.clipboard.writeText(text).then(
      () => setSaid(`${what} copied`),
      () => setSaid('the clipboard refused'),
    )
  }
  return (
    <p className="letters-ways">
      <Press onClick={() => copy('text', textOf)}>Copy as text</Press>
      <Press onClick={() => copy('LaTeX', latexOf)}>Copy as LaTeX</Press>
      <span className="quiet" role="status">
        {said}
      </span>
    </p>
  )
}

const textOf = ({ name, expression, at }: LetterLine) =>
  `${working.symbolText(name)} = ${expression}${at?.expression ? ` at x = ${at.expression}` : ''}`

const latexOf = ({ name, expression, at }: LetterLine) => {
  const place = at?.expression ? `\\quad\\text{at } x = ${expressionLatex(at.expression)}` : ''
  return `\\[ ${working.symbolLatex(name)} = ${expressionLatex(expression!)}${place} \\]`
}
