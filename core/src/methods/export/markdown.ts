import type { Ledger } from '../ledger.js'
import type { Block, Cell } from '../blocks.js'
import { stepsOf } from '../stiffness/steps/index.js'
import { equationLatex, lineLatex, matrixLatex, polynomialLatex, spelledLatex } from './latex.js'
import { inFigures, readingOf } from '../stiffness/reading.js'
import { LARGEST, reach, speller } from './numbers.js'

/** Words that would be taken for marks of Markdown, kept as they are. */
const words = (text: string): string => text.replace(/([\\`*_[\]<>|])/g, '\\$1')

const cell = (book: Ledger, c: Cell): string => {
  if (typeof c === 'string') return words(c)
  if ('unknown' in c) return c.unknown.free ? `(${c.unknown.number})` : `[${c.unknown.number}]`
  const e = book.entry(c.at)
  return e ? `${inFigures(e.value, readingOf(book.context.problem))} ${e.unit}`.trim() : ''
}

function block(book: Ledger, spell: ReturnType<typeof speller>, b: Block, within?: string): string {
  const title = (t: string | undefined) => (t ? `**${words(t)}**\n\n` : '')
  switch (b.kind) {
    case 'words':
      return words(b.words)
    case 'lines':
      return (
        title(b.title) +
        b.addresses
          .map((a) => {
            const { math, words: said } = lineLatex(book, a, within)
            return `$$${math}$$${said ? `\n\n${words(said)}` : ''}`
          })
          .join('\n\n')
      )
    case 'matrix': {
      if (b.columns.length > LARGEST)
        return (
          `${title(b.title)}${b.rows.length} rows and ${b.columns.length} columns: too large to be ` +
          'printed.'
        )
      const spelled = spell(b, within)
      const letters = !spelled
        ? ''
        : 'like' in spelled
          ? `In letters as for ${words(spelled.like)}.\n\n`
          : `$$${spelledLatex(book, b, spelled.formulas, within)}$$\n\n`
      return `${title(`${b.title}${b.unit ? `, ${b.factor ? '' : 'in '}${b.unit}` : ''}`)}${letters}${matrixLatex(
        book,
        b,
        within,
      )
        .map((m) => `$$${m}$$`)
        .join('\n\n')}`
    }
    case 'equation':
      return `$$${equationLatex(b)}$$`
    case 'drawing':
      return ''
    case 'polynomial':
      return `$$${polynomialLatex(book, b)}$$\n\n${words(reach(b, book.context.units.length))}`
    case 'table':
      return `${title(b.title)}| ${b.head.map((h) => words(h) || ' ').join(' | ')} |\n|${b.head.map(() => '---').join('|')}|\n${b.rows.map((r) => `| ${r.map((c) => cell(book, c)).join(' | ')} |`).join('\n')}`
  }
}

/** The whole working as Markdown, formulas between dollar signs. */
export function workingMarkdown(book: Ledger): string {
  const { problem, action, solution } = book.context
  const spell = speller(book)
  const steps = stepsOf(book).map((s, i) => {
    const passages = s.passages.map((p) =>
      [
        ...(p.title ? [`### ${words(p.title)}`] : []),
        ...p.blocks.map((b) =>
          block(book, spell, b, p.member === undefined ? undefined : solution.structure.members[p.member].id),
        ),
      ].join('\n\n'),
    )
    return [`## ${i + 1} ${s.title}`, words(s.why), ...passages].join('\n\n')
  })
  return `${[`# ${words(problem?.title ?? 'Working')}`, ...(problem?.statement ? [words(problem.statement)] : []), `Case: ${words(action.title)}`, ...steps].join('\n\n')}\n`
}
