import type { Ledger } from '../ledger.js'
import type { MatrixBlock, TableBlock } from '../blocks.js'
import { stepsOf } from '../ledger.js'
import { equationLatex, lineLatex, matrixLatex, polynomialLatex, spelledLatex } from './latex.js'
import { readingOf } from '../reading.js'
import { shown } from '../shown.js'
import { visitCell, visitPassage, type BlockVisitor, type CellVisitor } from '../visit.js'
import { LARGEST, reach, speller } from './numbers.js'

/** Words that would be taken for marks of Markdown, kept as they are. */
const words = (text: string): string => text.replace(/([\\`*_[\]<>|])/g, '\\$1')

const cells = (book: Ledger): CellVisitor<string> => ({
  words,
  unknown: (u) => (u.free ? `(${u.number})` : `[${u.number}]`),
  number: (at, bare) => {
    const e = book.entry(at)
    return e ? `${shown(e.value, readingOf(book.context.problem))} ${bare ? '' : e.unit}`.trim() : ''
  },
})

const heading = (t: string | undefined) => (t ? `**${words(t)}**\n\n` : '')

/** A matrix under its title: in letters where it has them, then in numbers. */
function matrix(book: Ledger, spell: ReturnType<typeof speller>, b: MatrixBlock, within?: string): string {
  if (b.columns.length > LARGEST)
    return (
      `${heading(b.title)}${b.rows.length} rows and ${b.columns.length} columns: too large to be ` +
      'printed.'
    )
  const spelled = spell(b, within)
  const letters = !spelled
    ? ''
    : 'like' in spelled
      ? `In letters as for ${words(spelled.like)}.\n\n`
      : `$$${spelledLatex(book, b, spelled.formulas, within)}$$\n\n`
  const title = heading(`${b.title}${b.unit ? `, ${b.factor ? '' : 'in '}${b.unit}` : ''}`)
  const numbers = b.letters === 'alone' ? [] : matrixLatex(book, b, within).map((m) => `$$${m}$$`)
  return `${title}${letters}${numbers.join('\n\n')}`
}

function table(book: Ledger, b: TableBlock): string {
  const line = (all: string[]) => `| ${all.join(' | ')} |`
  return [
    heading(b.title) + line(b.head.map((h) => words(h) || ' ')),
    `|${b.head.map(() => '---').join('|')}|`,
    ...b.rows.map((r) => line(r.map((c) => visitCell(c, cells(book))))),
  ].join('\n')
}

/** The blocks of a working as Markdown. */
const blocks = (book: Ledger, spell: ReturnType<typeof speller>): BlockVisitor<string> => ({
  words: (b) => words(b.words),
  lines: (b, within) => {
    const lines = b.addresses.map((a) => lineLatex(book, a, within))
    const written = lines.map((l) => `$$${l.math}$$${l.words ? `\n\n${words(l.words)}` : ''}`)
    return heading(b.title) + written.join('\n\n')
  },
  matrix: (b, within) => matrix(book, spell, b, within),
  equation: (b) => `$$${equationLatex(b)}$$`,
  // the formulas below a drawing say what it shows
  drawing: () => '',
  body: () => '',
  polygon: () => '',
  // the table below the curve has its roots
  chart: () => '',
  polynomial: (b) => `$$${polynomialLatex(book, b)}$$\n\n${words(reach(b, book.context.units.length))}`,
  table: (b) => table(book, b),
})

/** Each step of a working as Markdown without its title, in order. */
export function stepsMarkdown(book: Ledger): { key: string; title: string; text: string }[] {
  const visitor = blocks(book, speller(book))
  return stepsOf(book).map((s) => {
    const passages = s.passages.map((p) =>
      [...(p.title ? [`### ${words(p.title)}`] : []), ...visitPassage(book, p, visitor).filter(Boolean)].join(
        '\n\n',
      ),
    )
    return { key: s.key, title: s.title, text: [words(s.why), ...passages].join('\n\n') }
  })
}

/** The whole working as Markdown, formulas between dollar signs. */
export function workingMarkdown(book: Ledger): string {
  const { problem, acting } = book.context
  const steps = stepsMarkdown(book).map((s, i) => `## ${i + 1} ${s.title}\n\n${s.text}`)
  const head = [
    `# ${words(problem?.title ?? 'Working')}`,
    ...(problem?.statement ? [words(problem.statement)] : []),
    `Case: ${words(acting.title)}`,
  ]
  return `${[...head, ...steps].join('\n\n')}\n`
}
