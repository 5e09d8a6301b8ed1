import { screen } from '@testing-library/react'
import { edit } from '@viga/core'
import { useState } from 'react'
import { describe, expect, it } from 'vitest'
import { NewAnswer } from '../../app/check/NewAnswer'
import { PasteValues } from '../../app/check/PasteValues'
import { PAGE_COMMANDS } from '../../app/commands/page'
import { useCommands } from '../../app/commands/use-commands'
import { Joints } from '../../app/given/Joints'
import { Loads } from '../../app/given/Loads'
import { Members } from '../../app/given/Members'
import { Symbols } from '../../app/given/Symbols'
import { useSheetStore } from '../../app/sheet/context'
import { Line } from '../../app/widgets/Line'
import { inSheet } from '../in-sheet'
import { beam } from '../problems'

/** A problem with one edit to undo, the keys of its page, and a part that can be left and opened again. */
function Page({ part }: { part: React.ReactNode }) {
  const store = useSheetStore()
  const [open, setOpen] = useState(true)
  useCommands(PAGE_COMMANDS, { store, go: () => {}, help: () => {}, project: () => {} })
  return (
    <>
      <button onClick={() => setOpen(!open)}>another part</button>
      {open && part}
    </>
  )
}

function onPage(part: React.ReactNode) {
  const page = inSheet(beam, <Page part={part} />)
  page.store.getState().edit('title', (p) => edit.setText(p, 'title', 'edited before'))
  const edited = page.problem()
  return {
    ...page,
    /** Whether the problem is as it was before anything was typed. */
    untouched: () => page.problem() === edited,
    undo: () => page.user.keyboard('{Control>}z{/Control}'),
    redo: () => page.user.keyboard('{Control>}{Shift>}z{/Shift}{/Control}'),
    leaveAndReturn: async () => {
      for (let k = 0; k < 2; k++) await page.user.click(screen.getByRole('button', { name: 'another part' }))
    },
  }
}

const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name })

/** Fields whose text is no part of the problem until it is complete. */
const ENTRIES: [string, React.ReactNode, string][] = [
  ['joints of new members', <Members key="m" />, 'A B thro'],
  ['a new symbol', <Symbols key="s" />, 'w = 12 kN'],
  ['joint stated by others', <Joints key="j" onStart={() => {}} />, 'from A: 3,'],
  ['x of a new joint', <Joints key="j" onStart={() => {}} />, '12 m'],
  ['joint or member of a new load', <Loads key="l" />, 'AB 12 kN'],
  ['your value', <NewAnswer key="a" />, '18.2 kN u'],
  ['hand values as lines', <PasteValues key="p" />, 'Ay = 18.2 kN'],
]

describe('undo in a field that is being typed into', () => {
  it.each(ENTRIES)(
    'takes back and gives back, word by word, what is typed as %s',
    async (name, part, text) => {
      const { user, undo, redo, untouched } = onPage(part)
      await user.click(field(name))
      await user.keyboard(text)
      const words = text.split(' ')
      await undo()
      expect(field(name).value.trim()).toBe(words.slice(0, -1).join(' '))
      await redo()
      expect(field(name).value).toBe(text)
      for (let k = 0; k < words.length; k++) await undo()
      expect(field(name).value).toBe('')
      expect(untouched()).toBe(true)
      await undo()
      expect(untouched()).toBe(false)
    },
  )

  it.each(ENTRIES)(
    'gives up what was typed before its part was opened again: %s',
    async (name, part, text) => {
      const { user, undo, untouched, leaveAndReturn } = onPage(part)
      // a line that cannot be read yet stays as it is left
      await user.click(field(name))
      await user.keyboard(text.split(' ')[0])
      await leaveAndReturn()
      expect(field(name).value).toBe(text.split(' ')[0])
      await user.click(field(name))
      await undo()
      expect(field(name).value).toBe('')
      expect(untouched()).toBe(true)
    },
  )

  it('takes back the field before it where the next one of a row is still empty', async () => {
    const { user, undo, untouched } = onPage(<Joints onStart={() => {}} />)
    await user.type(field('x of a new joint'), '12 m')
    await user.tab()
    await undo()
    expect(field('x of a new joint').value).toBe('')
    expect(document.activeElement).toBe(field('x of a new joint'))
    expect(untouched()).toBe(true)
  })

  it('gives a label back that was being changed', async () => {
    const { user, undo, untouched } = onPage(<Joints onStart={() => {}} />)
    const label = field('label of joint B')
    await user.tripleClick(label)
    await user.keyboard('Support 2')
    await undo()
    await undo()
    expect(label.value).toBe('B')
    expect(untouched()).toBe(true)
  })

  it('takes back the unreadable end of a quantity, and then the edit as the page does', async () => {
    const { user, undo, untouched, problem } = onPage(<Joints onStart={() => {}} />)
    const x = field('x of B')
    const stated = problem().nodes[1].x
    await user.click(x)
    await user.keyboard('5 m +')
    await undo()
    expect(x.value).toBe('5 m ')
    expect(problem().nodes[1].x).toBe('5 m')
    await undo()
    expect(problem().nodes[1].x).toBe(stated)
    expect(untouched()).toBe(true)
  })

  it('leaves redo to the page once undo has gone on to it', async () => {
    const { user, undo, redo, untouched } = onPage(<Joints onStart={() => {}} />)
    const x = field('x of B')
    await user.click(x)
    await user.keyboard('5 f')
    await undo()
    await undo()
    await undo()
    expect(untouched()).toBe(false)
    await redo()
    expect(untouched()).toBe(true)
    expect(x.getAttribute('aria-invalid')).toBe('false')
  })

  it('begins a new step where typing turns into taking out, and forgets steps of another text', async () => {
    function Own() {
      const [text, setText] = useState('')
      return (
        <>
          <Line
            typing={() => setText('')}
            aria-label="own"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <button onClick={() => setText('another')}>put</button>
        </>
      )
    }
    const { user, undo } = onPage(<Own />)
    await user.type(field('own'), 'abc{Backspace}{Backspace}')
    await undo()
    expect(field('own').value).toBe('abc')
    await user.click(screen.getByRole('button', { name: 'put' }))
    await user.click(field('own'))
    await undo()
    expect(field('own').value).toBe('')
  })
})
