import { render, screen } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { isOfField } from '../../app/commands/typing'

describe('a key and the field that has the focus', () => {
  const at = (target: Element) => (key: string) => isOfField({ target, key })
  it('belongs to a field where one types, and to an open menu', () => {
    render(
      <>
        <input aria-label="x of B" />
        <textarea aria-label="statement" />
        <ul role="menu">
          <li role="menuitem">kip, ft</li>
        </ul>
      </>,
    )
    for (const it of [...screen.getAllByRole('textbox'), screen.getByRole('menuitem')])
      expect(['m', 'ArrowUp', '3'].map(at(it))).toEqual([true, true, true])
  })
  it('is a command beside a choice, but for the arrows and the space bar', () => {
    render(
      <>
        <input type="radio" aria-label="frame" />
        <input type="checkbox" aria-label="draw all" />
      </>,
    )
    for (const it of [screen.getByRole('radio'), screen.getByRole('checkbox')])
      expect(['m', '3', 'ArrowUp', ' '].map(at(it))).toEqual([false, false, true, true])
  })
  it('is a command on a button and on the page', () => {
    render(<button>more</button>)
    expect(at(screen.getByRole('button'))('m')).toBe(false)
    expect(isOfField({ target: window, key: 'm' })).toBe(false)
  })
})
