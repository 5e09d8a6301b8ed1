import { render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, it, vi } from 'vitest'
import { KeysHelp } from '../../app/page/KeysHelp'

it('the list of keys has every command under its heading, keys that do the same on one line', async () => {
  const close = vi.fn()
  render(<KeysHelp open onClose={close} />)
  const dialog = screen.getByRole('dialog', { name: 'Keys' })
  const selection = within(dialog).getByRole('region', { name: 'What is selected' })
  expect(selection.textContent).toContain('delete or backspaceTake out the selection')
  expect(within(dialog).getByRole('region', { name: 'The Figure' }).textContent).toContain('mBending moment')
  expect(within(dialog).getByRole('region', { name: 'The Sheet' }).textContent).toContain('CtrlzUndo')
  await userEvent.keyboard('{Escape}')
  await userEvent.click(within(dialog).getByRole('button', { name: 'Close the list of keys' }))
  expect(close).toHaveBeenCalledTimes(2)
})
