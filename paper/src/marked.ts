import {
  answerDimension,
  checkDocument,
  coherentUnitName,
  formatNumber,
  type Answer,
  type Problem,
  type Solved,
} from '@viga/core'
import { answerValueText } from '@viga/core/statement/answer-value'
import { answerName } from '@viga/core'
import { prepared } from './figure'
import { begin, finished, heading, number, rule, table, words, type Pages } from './pages'
import { blank, INK, QUIET, textBox } from './type'

type Checked = ReturnType<typeof checkDocument>

const WORDS = {
  agrees: 'agrees',
  convention: 'agrees, other convention',
  differs: 'differs',
  follows: 'follows from a wrong value',
  unknown: 'cannot tell',
}

/**
 * A sheet of hand values, marked: statement and figure, every value with its verdict, the score, the slip
 * that explains the values, and whether they are consistent among themselves.
 */
export function markedPdf(problem: Problem, solved: Solved): Promise<Buffer> {
  const checked = checkDocument(problem, solved)
  const doc = blank(problem.title)
  const p = begin(doc)
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  words(p, `A hand solution, checked. ${scoreWords(checked)}`, {
    face: 'serif-italic',
    size: 10,
    colour: QUIET,
    after: 8,
  })
  rule(p)
  if (problem.statement) words(p, problem.statement, { after: 8 })
  const [first] = solved.solution.cases
  if (first)
    prepared(problem, solved.solution, first, { loads: true, dimensions: true }, { captioned: false }).draw(p)
  values(p, problem, checked)
  explanations(p, problem, checked)
  number(doc, problem.title)
  return finished(doc)
}

function scoreWords({ score, answers }: Checked): string {
  const rest = [
    ...(score.differ > 0 ? [`${score.differ} differ`] : []),
    ...(score.unknown > 0 ? [`${score.unknown} cannot be told`] : []),
  ]
  return `${score.agree} of ${answers.length} values agree${rest.length ? `; ${rest.join(', ')}` : ''}.`
}

const SIZE = 9.5

function values(p: Pages, problem: Problem, checked: Checked) {
  heading(p, 'Values', 1)
  const line = (cells: readonly string[], colour = INK) =>
    cells.map((c) => textBox(p.doc, c, 'serif', SIZE, colour))
  const many = (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1
  const rows = (problem.answers ?? []).map((a, i) => line(valueCells(problem, a, checked.answers[i], many)))
  const head = ['', ...(many ? ['case'] : []), 'by hand', 'computed', 'unit', 'apart', 'verdict']
  table(p, [line(head, QUIET), ...rows], true)
  for (const v of checked.answers) {
    if (!v.diagnosis) continue
    const a = problem.answers!.find((o) => o.id === v.id)!
    words(p, `${answerName(a)}: ${v.diagnosis.sentence}`, { size: 10 })
  }
}

const valueCells = (problem: Problem, a: Answer, v: Checked['answers'][number], many: boolean): string[] => [
  answerName({ ...a, sense: undefined }),
  ...(many ? [a.case ?? problem.loadCases?.[0]?.id ?? ''] : []),
  answerValueText(a),
  v.computed === null ? '–' : formatNumber(v.computed),
  coherentUnitName(problem.units, answerDimension(a)),
  v.apart === null || v.verdict === 'convention' ? '' : `${formatNumber(100 * v.apart, { figures: 2 })} %`,
  WORDS[v.verdict],
]

function explanations(p: Pages, problem: Problem, { consistency, explanations: found }: Checked) {
  const name = (id: string) => {
    const a = problem.answers?.find((o) => o.id === id)
    return a ? answerName(a) : id
  }
  if (found.length) {
    const [first, ...others] = found
    heading(p, 'What explains the values that differ', 1)
    words(p, first.sentence)
    words(p, `It explains ${first.explains.map(name).join(', ')}.`, { size: 10 })
    if (first.leaves.length) words(p, `It leaves ${first.leaves.map(name).join(', ')}.`, { size: 10 })
    for (const e of others) words(p, `Fits as well: ${e.sentence}`, { size: 10, colour: QUIET })
  }
  if (consistency.length) {
    heading(p, 'Among themselves', 1)
    for (const c of consistency) words(p, c.sentence)
  }
}
