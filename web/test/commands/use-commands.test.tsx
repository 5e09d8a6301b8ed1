import { render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, it, vi } from 'vitest'
import type { CommandGroup } from '../../app/commands/command'
import { useCommands } from '../../app/commands/use-commands'

it('the keys of a component work while it is on the page, with what it knows now', async () => {
  const said = vi.fn()
  const groups: CommandGroup<{ word: string }>[] = [
    {
      title: 'Words',
      commands: [
        { key: 'k', name: 'Say it', run: ({ word }) => void said(word) },
        { key: 'ctrl+k', name: 'Say it anywhere', inFields: true, run: ({ word }) => void said(`!${word}`) },
      ],
    },
  ]
  function Part({ word, on = true }: { word: string; on?: boolean }) {
    useCommands(groups, { word }, on)
    return <input aria-label="field" />
  }
  const user = userEvent.setup()
  const { rerender, getByRole, unmount } = render(<Part word="one" />)
  await user.keyboard('k')
  rerender(<Part word="two" />)
  await user.keyboard('k')
  await user.click(getByRole('textbox', { name: 'field' }))
  await user.keyboard('k')
  await user.keyboard('{Control>}k{/Control}')
  expect(said.mock.calls.flat()).toEqual(['one', 'two', '!two'])
  rerender(<Part word="three" on={false} />)
  await user.keyboard('{Control>}k{/Control}')
  unmount()
  await user.keyboard('k')
  expect(said).toHaveBeenCalledTimes(3)
})
