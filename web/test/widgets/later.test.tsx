import { render, screen } from '@testing-library/react'
import { describe, expect, it, vi } from 'vitest'
import { fetchAhead, fetchAll, later } from '../../app/widgets/later'

const Part = ({ name }: { name: string }) => <p>part {name}</p>

describe('a part that comes later', () => {
  it('is fetched when it is shown, with something in its place meanwhile', async () => {
    const load = vi.fn(() => Promise.resolve(Part))
    const Later = later(load, <p>soon</p>)
    expect(load).not.toHaveBeenCalled()
    render(<Later name="A" />)
    expect(screen.getByText('soon')).toBeTruthy()
    expect(await screen.findByText('part A')).toBeTruthy()
    expect(screen.queryByText('soon')).toBeNull()
  })

  it('stands at once when it was fetched before, and is fetched once', async () => {
    const load = vi.fn(() => Promise.resolve(Part))
    const Later = later(load, <p>soon</p>)
    await fetchAll(Later, Later)
    await Later.fetch()
    render(
      <>
        <Later name="A" />
        <Later name="B" />
      </>,
    )
    expect(screen.getByText('part A')).toBeTruthy()
    expect(screen.getByText('part B')).toBeTruthy()
    expect(screen.queryByText('soon')).toBeNull()
    await Later.fetch()
    expect(load).toHaveBeenCalledTimes(1)
  })

  it('is asked for again when it did not come the first time', async () => {
    const load = vi.fn(() => Promise.resolve(Part)).mockRejectedValueOnce(new Error('offline'))
    const Later = later(load)
    fetchAhead(Later)
    await expect(Later.fetch()).rejects.toThrow('offline')
    render(<Later name="A" />)
    expect(await screen.findByText('part A')).toBeTruthy()
    expect(load).toHaveBeenCalledTimes(2)
  })
})
