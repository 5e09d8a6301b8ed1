import { render, screen, waitFor } from '@testing-library/react'
import { expect, it } from 'vitest'
import { Formula } from '../../app/widgets/Formula'

it('a piece of a page in a formula stands as text, and a link in it leads nowhere', async () => {
  const tex = '\\text{<img src=x onerror=alert(1)>} + \\href{javascript:alert(1)}{w}'
  render(<Formula tex={tex} plain="a name" />)
  const formula = await screen.findByRole('math', { name: 'a name' })
  await waitFor(() => expect(formula.textContent).toContain('<img'))
  expect(formula.querySelectorAll('img, a, script')).toHaveLength(0)
})
