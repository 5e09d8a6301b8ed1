import { edit } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { commandFor, pressed, type KeyPress } from '../../app/commands/command'
import { FIGURE_COMMANDS, type FigureContext } from '../../app/commands/figure'
import { PAGE_COMMANDS } from '../../app/commands/page'
import { PROJECTOR_COMMANDS, nextAction, type Projected } from '../../app/commands/projector'
import { SELECTION_COMMANDS } from '../../app/commands/selection'
import { createSheet } from '../../app/sheet/store'
import { beam } from '../problems'

const press = (key: string, more: Partial<KeyPress> = {}): KeyPress => ({
  key,
  code: '',
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...more,
})
const sheet = (problem = beam) =>
  createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })

describe('a key press', () => {
  it.each([
    [press('h'), 'h'],
    [press('H', { shiftKey: true }), 'shift+h'],
    [press('?', { shiftKey: true }), '?'],
    [press('z', { metaKey: true }), 'ctrl+z'],
    [press('Z', { ctrlKey: true, shiftKey: true }), 'ctrl+shift+z'],
    [press('∆', { altKey: true, code: 'KeyJ' }), 'alt+j'],
    [press('Delete'), 'delete'],
  ])('%j is %s', (e, key) => expect(pressed(e)).toBe(key))
})

describe('the commands', () => {
  const groups = [...PAGE_COMMANDS, ...SELECTION_COMMANDS, ...FIGURE_COMMANDS]
  it('have one key each, and each key one command', () => {
    const keys = groups.flatMap((g) => g.commands.map((c) => c.key))
    expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([])
    for (const g of groups) for (const c of g.commands) expect(c.name).toMatch(/^[A-Z]/)
  })
  it('leave fields alone unless they say so', () => {
    const context = { store: sheet() }
    expect(commandFor(SELECTION_COMMANDS, press('a', { ctrlKey: true }), true, context)).toBeUndefined()
    expect(commandFor(SELECTION_COMMANDS, press('a', { ctrlKey: true }), false, context)).toBeDefined()
    const page = { ...context, go: () => {}, help: () => {}, project: () => {} }
    expect(commandFor(PAGE_COMMANDS, press('z', { ctrlKey: true }), true, page)?.name).toBe('Undo')
  })
  it('draw the envelope in the Results alone, in place of the reactions of one case', () => {
    const store = sheet()
    const at = (part: 'results' | 'check') =>
      ({ store, part, figureKey: part, drawing: false, setDrawing() {}, refit() {} }) satisfies FigureContext
    const envelope = (part: 'results' | 'check') => commandFor(FIGURE_COMMANDS, press('e'), false, at(part))
    expect(envelope('check')).toBeUndefined()
    const results = () => store.getState().shown.results
    const before = results()
    envelope('results')!.run(at('results'))
    expect(results()).toEqual({ ...before, envelope: true, reactions: false })
    envelope('results')!.run(at('results'))
    expect(results()).toEqual({ ...before, envelope: false, reactions: true })
  })
  it('work on the selection, and not without one', () => {
    const store = sheet()
    expect(commandFor(SELECTION_COMMANDS, press('x'), false, { store })).toBeUndefined()
    store.getState().select('node:B')
    commandFor(SELECTION_COMMANDS, press('x'), false, { store })!.run({ store })
    expect(store.getState().problem.supports).toContainEqual({ node: 'B', type: 'fixed' })
    commandFor(SELECTION_COMMANDS, press('-'), false, { store })!.run({ store })
    expect(store.getState().problem.supports!.some((s) => s.node === 'B')).toBe(false)
    store.getState().select('member:AB')
    commandFor(SELECTION_COMMANDS, press('h'), false, { store })!.run({ store })
    expect(store.getState().problem.members[0].releases).toEqual({ start: { M: true }, end: { M: true } })
    commandFor(SELECTION_COMMANDS, press('Backspace'), false, { store })!.run({ store })
    expect(store.getState().problem.members.map((m) => m.id)).toEqual(['BC'])
  })
  it('switch layers and diagrams of the page that is shown; a truss has axial forces alone', () => {
    const context = (store = sheet()): FigureContext => ({
      store,
      part: 'results',
      figureKey: 'results',
      drawing: false,
      setDrawing: () => {},
      refit: () => {},
    })
    const c = context()
    const now = () => c.store.getState().shown.results
    commandFor(FIGURE_COMMANDS, press('v'), false, c)!.run(c)
    expect(now().diagram).toBe('V')
    commandFor(FIGURE_COMMANDS, press('y'), false, c)!.run(c)
    expect(now()).toMatchObject({ diagram: null, deflected: true })
    expect(commandFor(FIGURE_COMMANDS, press('a'), false, c)).toBeUndefined()
    const truss = context(sheet(edit.setKind(beam, 'truss')))
    expect(commandFor(FIGURE_COMMANDS, press('m'), false, truss)).toBeUndefined()
    expect(commandFor(FIGURE_COMMANDS, press('n'), false, truss)?.name).toBe('Axial force')
  })
})

describe('on the projector', () => {
  it('cases and combinations follow each other in a ring', () => {
    const store = sheet()
    const first = store.getState().actionId
    const { problem } = store.getState()
    const ids = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].map((c) => c.id)
    for (let i = 0; i < ids.length; i++) store.getState().chooseAction(nextAction(store, 1)!)
    expect(store.getState().actionId).toBe(first)
    expect(nextAction(store, -1)).toBe(ids.at(-1))
  })
  it('each key does one thing there, too', () => {
    const keys = PROJECTOR_COMMANDS.flatMap((g) => g.commands.map((c) => c.key))
    expect(new Set(keys).size).toBe(keys.length)
    let shown: Projected = 'both'
    const context = { store: sheet(), shown, show: (p: Projected) => (shown = p), enlarge() {}, step() {} }
    commandFor(PROJECTOR_COMMANDS, press('w'), false, context)!.run(context)
    expect(shown).toBe('figure')
  })
})
