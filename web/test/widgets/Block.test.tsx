import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { describe, expect, it } from 'vitest'
import { Block, MoreOrLess, onGridKeys, RemoveButton } from '../../app/widgets/Block'

/** A table of three rows with two fields each; a row is taken out by its button. */
function Grid() {
  const [rows, setRows] = useState(['A', 'B', 'C'])
  return (
    <table onKeyDown={onGridKeys}>
      <tbody>
        {rows.map((r) => (
          <tr key={r}>
            <td>
              <input aria-label={`x of ${r}`} />
            </td>
            <td>
              <input aria-label={`y of ${r}`} />
            </td>
            <td>
              <RemoveButton what={r} onClick={() => setRows(rows.filter((o) => o !== r))} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
const field = (name: string) => screen.getByRole('textbox', { name })
const focused = () => document.activeElement?.getAttribute('aria-label')

describe('the keys of a table of fields', () => {
  const grid = (at: string) => {
    render(<Grid />)
    field(at).focus()
    return userEvent.setup()
  }

  it('Enter and the arrows go to the same column of the next row and back', async () => {
    const user = grid('y of A')
    await user.keyboard('{Enter}')
    expect(focused()).toBe('y of B')
    await user.keyboard('{ArrowDown}')
    expect(focused()).toBe('y of C')
    await user.keyboard('{ArrowUp}{ArrowUp}')
    expect(focused()).toBe('y of A')
  })

  it('stay where there is no row further on', async () => {
    const user = grid('x of C')
    await user.keyboard('{ArrowDown}')
    expect(focused()).toBe('x of C')
  })

  it('Ctrl+Delete takes the row out, and the next one has the focus', async () => {
    const user = grid('x of B')
    await user.keyboard('{Control>}{Delete}{/Control}')
    expect(screen.queryByRole('textbox', { name: 'x of B' })).toBeNull()
    expect(focused()).toBe('x of C')
    await user.keyboard('{Control>}{Delete}{/Control}')
    expect(focused()).toBe('x of A')
  })

  it('leave a button its Enter', async () => {
    const user = grid('x of A')
    screen.getByRole('button', { name: 'Take out B' }).focus()
    await user.keyboard('{Enter}')
    expect(screen.queryByRole('textbox', { name: 'x of B' })).toBeNull()
  })
})

describe('parts of the Sheet', () => {
  it('a block is a region with its name, and its remark below', () => {
    render(
      <Block title="Supports" note={<p>a remark</p>}>
        <p>a table</p>
      </Block>,
    )
    expect(screen.getByRole('region', { name: 'Supports' }).textContent).toBe('Supportsa tablea remark')
  })

  it('what is seldom asked for opens and closes by a press that says which', async () => {
    const user = userEvent.setup()
    const opened: boolean[] = []
    const { rerender } = render(
      <MoreOrLess open={false} what="ends of AB" words="releases" onToggle={(o) => opened.push(o)} />,
    )
    const press = screen.getByRole('button', { name: 'ends of AB' })
    expect([press.textContent, press.getAttribute('aria-expanded')]).toEqual(['releases', 'false'])
    await user.click(press)
    rerender(<MoreOrLess open what="ends of AB" words="releases" onToggle={(o) => opened.push(o)} />)
    expect([press.textContent, press.getAttribute('aria-expanded')]).toEqual(['less', 'true'])
    await user.click(press)
    expect(opened).toEqual([true, false])
  })
})
