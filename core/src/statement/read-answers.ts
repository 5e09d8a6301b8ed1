import { numberStyle, styleWords, withPoint } from '../document/number-style.js'
import type { NewAnswer, Problem } from '../document/types.js'
import { answerAt, type Place } from '../kinds/answers/index.js'
import { readAnswerValue } from './answer-value.js'
import { readAnswerName } from './read-answer-name.js'

/**
 * Hand values as lines of text or cells of a spreadsheet: `Ay = 18.2 kN up`, `F_DH = 8.4 C`, `M_BA = -37.5`.
 */

/** What was read of pasted lines, and the lines that are left, each with its reason. */
export interface ReadAnswers {
  answers: NewAnswer[]
  left: { line: string; message: string }[]
  /** How commas in numbers were understood, as a sentence, where there were any. */
  said?: string
}

const MOST = 2000
/** What stands between spaces and signs of equality. */
const WORD = /[^\s=:≈]+/g

/** Whatever stands between a name and its value: an equals sign, a colon, a cell's edge. */
const PARTED = /^([^=:≈\t]+?)\s*(?:[=≈:]|\t+)\s*(.+)$/

/**
 * Reads hand values line by line. A line that is the label of a case or a combination says that the values
 * below are of it; a case beside a value, `C1: Ay = 18.2` or `Ay = 18.2 (C1)`, is of that value alone.
 * @param caseId the case or combination of values above such a line; the first case when undefined
 */
export function readAnswers(p: Problem, text: string, caseId?: string): ReadAnswers {
  const out: ReadAnswers = { answers: [], left: [] }
  let of = caseId
  const stated = text
    .replace(/\r/g, '')
    .split(/\n|;\s/)
    .filter((l) => l.trim() !== '')
  const words = stated.flatMap((l) => l.match(WORD) ?? [])
  const style = numberStyle(words)
  out.said = styleWords(words, style)
  const lines = stated.map((l) => l.replace(WORD, (w) => withPoint(w, style)))
  for (const line of lines) {
    if (out.answers.length + out.left.length >= MOST) {
      out.left.push({ line, message: `At most ${MOST} values are read at once.` })
      break
    }
    const named = caseNamed(p, line)
    if (named !== undefined) {
      of = named
      continue
    }
    const said = caseInLine(p, line)
    const read = readLine(p, said?.rest ?? line)
    if (typeof read === 'string') out.left.push({ line, message: read })
    else out.answers.push(withCase(p, read, said?.caseId ?? of))
  }
  return out
}

/** The case or combination that a line is the label or the title of. */
function caseNamed(p: Problem, line: string): string | undefined {
  const t = line
    .trim()
    .replace(/^case\s+/i, '')
    .replace(/:$/, '')
  return actionNamed(p, t)
}

const actionNamed = (p: Problem, text: string): string | undefined =>
  [...(p.loadCases ?? []), ...(p.combinations ?? [])].find((c) => c.id === text || c.title === text)?.id

/** The case that a line names beside its value: `C1: Ay = 115.9`, `Ax = 5.267 (C1)`, `Ax = 5, case C1`. */
function caseInLine(p: Problem, line: string): { caseId: string; rest: string } | undefined {
  const before = /^\s*(?:case\s+)?([^:=]+?)\s*:\s*(\S.*)$/i.exec(line)
  const after = /^(.*\S)\s*(?:\((?:case\s+)?([^()]+)\)|,\s*case\s+(.+?))\s*$/i.exec(line)
  for (const [name, rest] of [
    [before?.[1], before?.[2]],
    [after?.[2] ?? after?.[3], after?.[1]],
  ]) {
    const caseId = name === undefined ? undefined : actionNamed(p, name.trim())
    if (caseId !== undefined) return { caseId, rest: rest! }
  }
  return undefined
}

const withCase = (p: Problem, a: NewAnswer, of: string | undefined): NewAnswer =>
  of === undefined || of === p.loadCases?.[0]?.id || a.quantity === 'stiffness' ? a : { ...a, case: of }

/** One value; a sentence when the line is not understood. */
function readLine(p: Problem, line: string): NewAnswer | string {
  const parted = PARTED.exec(line.trim())
  if (parted) {
    const named = readAnswerName(p, parted[1])
    if (!named.ok) return named.message
    return withValue(p, named.place, parted[2].replace(/\t+/g, ' '))
  }
  // `Ay 18.2 up`: cut where both halves mean something, the longest name first
  const words = line.trim().split(/\s+/)
  let why = `Write the name and its value: ${words[0]} = 18.2.`
  for (let n = words.length - 1; n >= 1; n--) {
    const named = readAnswerName(p, words.slice(0, n).join(' '))
    if (!named.ok) continue
    const read = withValue(p, named.place, words.slice(n).join(' '))
    if (typeof read !== 'string') return read
    why = read
  }
  return why
}

function withValue(p: Problem, place: Place, text: string): NewAnswer | string {
  const read = readAnswerValue(p, place, text)
  return read.ok ? answerAt(place, read) : read.message
}
