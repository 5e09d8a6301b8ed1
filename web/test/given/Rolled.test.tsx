import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, it, vi } from 'vitest'
import Rolled from '../../app/given/Rolled'

function opened() {
  const put = vi.fn(() => null)
  render(<Rolled s={{ id: 'girder', catalogue: 'HEA 200' }} put={put} />)
  return { put, field: screen.getByRole('combobox', { name: 'rolled shape of girder' }) }
}

it('lists what is typed with A and I, and enter takes the first', async () => {
  const user = userEvent.setup()
  const { put, field } = opened()
  await user.clear(field)
  await user.type(field, 'ipe 3')
  const lines = screen.getAllByRole('option').map((o) => o.textContent)
  expect(lines.map((t) => t.slice(0, 7))).toEqual(['IPE 300', 'IPE 330', 'IPE 360'])
  expect(lines[0]).toContain('53.8 cm²')
  await user.keyboard('{Enter}')
  expect(put).toHaveBeenLastCalledWith({ catalogue: 'IPE 300' })
})

it('takes the one the arrows walk to', async () => {
  const user = userEvent.setup()
  const { put, field } = opened()
  await user.clear(field)
  await user.type(field, 'w12x2')
  await user.keyboard('{ArrowDown}{ArrowDown}{Enter}')
  const chosen = screen.getByRole<HTMLInputElement>('combobox').value
  expect(chosen).toMatch(/^W12x2/)
  expect(put).toHaveBeenLastCalledWith({ catalogue: chosen })
})

it('keeps what it had when it is left empty', async () => {
  const user = userEvent.setup()
  const { put, field } = opened()
  await user.clear(field)
  await user.tab()
  expect(screen.getByRole<HTMLInputElement>('combobox').value).toBe('HEA 200')
  expect(put).not.toHaveBeenCalled()
})
