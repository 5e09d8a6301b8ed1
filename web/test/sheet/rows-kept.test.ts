import { edit } from '@viga/core'
import { describe, expect, it } from 'vitest'
import { readRow, ROW, rowsOf, writeRow } from '../../app/sheet/rows-kept'
import { createSheet } from '../../app/sheet/store'
import { beam } from '../problems'

const empty = { x: '', y: '' }

describe('a row that is being typed', () => {
  it('is kept while anything stands in it', () => {
    expect(writeRow(empty)).toBeNull()
    expect(readRow(writeRow({ x: '12*26 in', y: '' }) ?? undefined, empty)).toEqual({ x: '12*26 in', y: '' })
  })
  it.each([undefined, 'no object', '[]', '7', 'null', '{"x":{"deep":1},"other":"z"}'])(
    'reads %s as empty',
    (kept) => expect(readRow(kept, empty)).toEqual(empty),
  )
  it('outlives an undo, which gives up texts of fields', () => {
    const store = createSheet({ id: 'p', problem: beam, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
    store.getState().edit('wider', (p) => edit.setNode(p, 'C', { x: 9 }))
    store.getState().draft(`${ROW}joint`, { text: '{"x":"3"}' })
    store.getState().draft('x of C', { text: '9 kN' })
    store.getState().undo()
    expect(store.getState().drafts).toEqual(rowsOf({ [`${ROW}joint`]: { text: '{"x":"3"}' } }))
  })
})
