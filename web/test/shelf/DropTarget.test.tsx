import { fireEvent, render, screen } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { expect, it } from 'vitest'
import { DropTarget } from '../../app/shelf/DropTarget'

/** A page that takes files, over an action that keeps what it was sent. */
function page() {
  const sent: string[] = []
  const Stub = createRoutesStub([
    {
      path: '/',
      HydrateFallback: () => null,
      action: async ({ request }) => {
        sent.push((await request.formData()).get('file') as string)
        return { ok: false, message: 'It is not a problem.' }
      },
    },
    { path: '/problem', Component: DropTarget },
  ])
  render(<Stub initialEntries={['/problem']} />)
  return sent
}

/** Sends an event of dragging as the browser does; whether it was left to the browser. */
const drag = (type: 'dragOver' | 'dragLeave' | 'drop', files: File[] = [], types = ['Files']) =>
  fireEvent[type](document.body, { dataTransfer: { types, files } })

it('a file dropped in the first moment is opened once Viga can open it', async () => {
  const sent = page()
  expect(drag('drop', [new File(['{"a": 1}'], 'a.json')])).toBe(false)
  expect(sent).toEqual([]) // what opens files is not there yet
  expect(await screen.findByText('The file was not opened. It is not a problem.')).toBeDefined()
  expect(sent).toEqual(['{"a": 1}'])
})

it('a file of the same name dropped again is opened again', async () => {
  const sent = page()
  for (const text of ['first', 'second']) drag('drop', [new File([text], 'a.json')])
  await expect.poll(() => sent).toContain('second')
})

it('says what letting go would do while a file is held over the page, and leaves text alone', async () => {
  page()
  expect(drag('dragOver', [], ['text/plain'])).toBe(true)
  expect(drag('dragOver')).toBe(false)
  expect(await screen.findByText(/Let go to open this file/)).toBeDefined()
  drag('dragLeave')
  expect(screen.queryByText(/Let go to open this file/)).toBeNull()
})
