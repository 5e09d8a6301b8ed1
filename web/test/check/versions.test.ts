import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { checkDocument, solveWithSlip, workWithSystem, type Problem } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { versionsOf } from '../../app/check/versions'

const folder = join(import.meta.dirname, '../../../core/test/sheets')
const sheets = readdirSync(folder)
  .filter((f) => f.endsWith('.truth.json'))
  .filter((f) => (JSON.parse(readFileSync(join(folder, f), 'utf8')) as { group: string }).group === 'slip')
  .map((f) => f.replace('.truth.json', ''))

function versions(name: string) {
  const problem = JSON.parse(readFileSync(join(folder, `${name}.viga.json`), 'utf8')) as Problem
  const { solved } = workWithSystem(problem)
  if (!solved) throw new Error('a sheet is solved')
  const [first] = checkDocument(problem, solved).explanations
  const slip = solveWithSlip(problem, solved, first)
  if (!slip) throw new Error('an explanation can be solved again')
  const caseId = problem.loadCases![0].id
  return { first, versions: versionsOf(problem, first, solved.solution, slip.solution, caseId) }
}

describe('both versions of a slip', () => {
  it.each(sheets)('%s: each is drawn, written as a formula or said, and the two differ', (name) => {
    const { versions: both } = versions(name)
    const [taken, stated] = both!
    const shown = (v: (typeof both & object)[0]) => JSON.stringify([v.groups, v.formula, v.words])
    expect(shown(taken)).not.toBe('[null,null,null]')
    expect(shown(taken)).not.toBe(shown(stated))
  })
  it('of a closed form have its numbers put in', () => {
    const name = sheets.find((s) => versions(s).first.kind === 'fixed-end')
    if (name === undefined) return expect(sheets.some((s) => s.endsWith('fixed-end'))).toBe(true)
    const [taken, stated] = versions(name).versions!
    expect(taken.formula!.tex).toMatch(/=/)
    expect(stated.formula!.tex).not.toBe(taken.formula!.tex)
  })
})
