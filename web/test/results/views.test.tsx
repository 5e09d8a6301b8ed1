import { screen, waitFor, within } from '@testing-library/react'
import { createRoutesStub } from 'react-router'
import { describe, expect, it, vi } from 'vitest'
import { keptPlaces, signsOf, type Problem } from '@viga/core'
import { Results } from '../../app/results/Results'
import { RESULT_VIEWS, viewOf } from '../../app/results/views'
import { named } from '../demo'
import { inSheet } from '../in-sheet'

/** The Results of a problem at one of their views. */
function results(problem: Problem, at = '') {
  const Stub = createRoutesStub([{ path: '/problems/:problemId/results/:view?/:of?', Component: Results }])
  return inSheet(problem, <Stub initialEntries={[`/problems/p/results${at}`]} />)
}
const table = (name: string) => screen.findByRole('table', { name })
/** The texts of a table's column, its head left out. */
const column = (t: HTMLElement, i: number) =>
  within(t)
    .getAllByRole('row')
    .slice(1)
    .map((r) => within(r).queryAllByRole('cell')[i]?.textContent)

describe('the views of the Results', () => {
  it('have each an address, and what is none is the overview', () => {
    expect(RESULT_VIEWS.map((v) => viewOf(v.key))).toEqual(RESULT_VIEWS.map((v) => v.key))
    expect([viewOf(undefined), viewOf('nothing')]).toEqual(['overview', 'overview'])
  })
})

describe('sign conventions', () => {
  it('are named, chosen, kept with the problem, and turn the numbers', async () => {
    const { user, problem } = results(named('palm-house'))
    const members = screen.getByRole('region', { name: 'Members' })
    expect(members.textContent).toContain('−34.55')
    await user.click(screen.getByRole('button', { name: 'Sign convention' }))
    const form = await screen.findByRole('dialog', { name: 'Sign conventions' })
    await user.click(within(form).getByRole('radio', { name: /hogging/ }))
    expect(signsOf(problem()).moment).toBe('hogging')
    expect(members.textContent).toContain('−16.22')
    expect(members.textContent).not.toMatch(/(?<!−)16\.22/)
  })
})

describe('a reading', () => {
  it('is typed as a length or a part of it, and kept with the problem', async () => {
    const { user, problem } = results(named('palm-house'))
    await user.selectOptions(screen.getByLabelText('member to read'), 'BC')
    const place = screen.getByLabelText('place to read')
    await user.clear(place)
    await user.type(place, 'L')
    const reading = screen.getByRole('region', { name: 'Reading' })
    expect(reading.querySelector('[data-reading="M"]')!.textContent).toContain('15.03')
    await user.click(screen.getByRole('button', { name: 'Save' }))
    expect(keptPlaces(problem())).toEqual([{ member: 'BC', at: 'L' }])
    const kept = await table('Kept readings')
    expect(kept.textContent).toContain('15.03')
    await user.click(within(kept).getByRole('button', { name: /reading of BC/ }))
    expect(keptPlaces(problem())).toEqual([])
  })
  it('beyond the member says so', async () => {
    const { user } = results(named('palm-house'))
    const place = screen.getByLabelText('place to read')
    await user.clear(place)
    await user.type(place, '90 m')
    expect(screen.getByRole('alert').textContent).toMatch(/beyond the ends/)
  })
})

describe('tables', () => {
  it('are sorted by a column, shown in another unit and with other figures', async () => {
    const { user } = results(named('palm-house'), '/tables')
    const reactions = await table('Reactions')
    expect(column(reactions, 1)).toEqual(['6.645', '−6.645', '0'])
    await user.click(within(reactions).getByRole('button', { name: 'x, kN' }))
    expect(column(reactions, 0)).toEqual(['E', 'A', 'Sum'])
    await user.selectOptions(screen.getByLabelText('unit of forces'), 'N')
    expect(within(reactions).getByRole('columnheader', { name: /^x, N/ })).toBeTruthy()
    await user.selectOptions(screen.getByLabelText('significant figures'), '6')
    expect(column(reactions, 1)[0]).toBe('−6\u2009644.62')
  })
  it('of the envelope name the governing case', async () => {
    const { user } = results(named('palm-house'), '/tables')
    await user.click(await screen.findByRole('button', { name: 'Envelope of all cases' }))
    await user.click(screen.getByRole('button', { name: 'Extremes' }))
    const extremes = await table('Extremes')
    const row = within(extremes)
      .getAllByRole('row')
      .find((r) => /^ABM|^MkN/.test(r.textContent) || r.textContent.includes('64.93'))!
    expect(row.textContent).toContain('W')
    expect(row.textContent).toContain('−113.8')
  })
  it('are copied by one key', async () => {
    const { user } = results(named('palm-house'), '/tables')
    await table('Reactions')
    const write = vi.spyOn(navigator.clipboard, 'writeText')
    await user.keyboard('c')
    expect(await screen.findByText('Reactions copied: 2 rows.')).toBeTruthy()
    expect(write.mock.calls[0][0].split('\n')[0]).toBe('Joint\tx (kN)\ty (kN)\tmoment (kN·m)')
  })
})

describe('the envelope', () => {
  it('is of the chosen cases, and the Figure draws it while the view is open', async () => {
    const { user, store, unmount } = results(named('palm-house'), '/envelope')
    await screen.findByRole('region', { name: 'Over' })
    await waitFor(() => expect(store.getState().shown.results.envelope).toBe(true))
    await user.click(screen.getByRole('checkbox', { name: 'Wind from the left' }))
    expect(store.getState().enveloped).not.toContain('W')
    await waitFor(() =>
      expect(screen.getByRole('region', { name: 'Members' }).textContent).not.toContain('64.93'),
    )
    unmount()
    expect(store.getState().shown.results.envelope).toBe(false)
  })
})

describe('free bodies', () => {
  it('write out the three equations about a chosen joint', async () => {
    const { user } = results(named('palm-house'), '/free-body')
    const whole = await screen.findByRole('region', { name: 'The whole structure' })
    const equation = (name: string) => whole.querySelector(`[data-equation="${name}"]`)!.textContent
    expect(equation('Fx')).toBe('ΣFx = 6.645 − 6.645 = 0 kN')
    expect(equation('M')).toMatch(/21\.67·14\.40.* = 0 kN·m$/)
    await user.selectOptions(screen.getByLabelText('moments about'), 'E')
    expect(equation('M')).toMatch(/−21\.67·14\.40/)
    await user.click(screen.getByRole('button', { name: 'A joint' }))
    expect(await screen.findByRole('region', { name: 'Joint A' })).toBeTruthy()
  })
  it('and the sums of second order balance where the structure has moved to', async () => {
    results(named('belvedere'), '/')
    const sums = await screen.findByRole('region', { name: 'Equilibrium' })
    const moments = sums.querySelector('[data-sum="of moments about 0, 0"]')!
    expect([...moments.querySelectorAll('td')].map((c) => c.textContent.replace(/\s/g, ' '))).toEqual([
      'of moments about 0, 0',
      '−1 629',
      '1 629',
      'kN·m',
      '0',
    ])
    expect(within(sums).getByText(/where the structure has moved to/)).toBeTruthy()
  })
  it('have their lever arms where a structure of second order has moved to', async () => {
    const { user } = results(named('belvedere'), '/free-body')
    const equation = (of: string) =>
      screen.getByRole('region', { name: of }).querySelector('[data-equation="M"]')!.textContent
    await screen.findByText(/equilibrium where it has moved to/)
    expect(equation('The whole structure')).toMatch(/178\.0·4\.5\d\d.* = 0 kN·m$/)
    await user.click(screen.getByRole('button', { name: 'A member' }))
    expect(equation('Member AB')).toMatch(/ = 0 kN·m$/)
  })
  it('of a section shows both faces, and says what is no place', async () => {
    const { user, store } = results(named('palm-house'), '/free-body')
    await user.click(await screen.findByRole('button', { name: 'A section' }))
    const place = screen.getByLabelText('place of the section')
    await user.clear(place)
    await user.type(place, '2.6')
    expect(store.getState().body).toMatchObject({ kind: 'section', id: 'AB', x: 2.6 })
    expect(screen.getByRole('region', { name: 'End part' })).toBeTruthy()
    await user.type(place, ' kN')
    expect(screen.getByRole('alert')).toBeTruthy()
  })
})

describe('stresses', () => {
  it('stand with their formulas, and K is kept with the problem', async () => {
    const { user, problem } = results(named('palm-house'), '/stress')
    const stresses = await table('Stresses')
    expect(stresses.textContent).toContain('−2.979')
    const K = screen.getByLabelText('effective length K')
    await user.clear(K)
    await user.type(K, '0.7')
    expect(problem().view?.effectiveLengths).toEqual({ AB: 0.7 })
    await user.clear(K)
    expect(screen.getByText('a number above 0')).toBeTruthy()
  })
})

describe('a comparison', () => {
  it('begins with rigid joints of a truss, and with members that keep their length of a frame', async () => {
    for (const [name, begins] of [
      ['fern', 'rigid'],
      ['palm-house', 'axial'],
    ]) {
      const { unmount } = results(named(name), '/compare')
      expect(await screen.findByLabelText('compare with')).toHaveProperty('value', begins)
      unmount()
    }
  })
  it('begins with another case of a beam, in which nothing acts along the members', async () => {
    const { store } = results(named('bog-boardwalk'), '/compare')
    expect(await screen.findByLabelText('compare with')).toHaveProperty('value', 'case L')
    expect(store.getState().comparison).toEqual({ kind: 'action', id: 'L' })
  })
  it('with another case has both values, their difference and percent', async () => {
    const { user, store } = results(named('palm-house'), '/compare')
    await user.selectOptions(await screen.findByLabelText('compare with'), 'case S')
    expect(store.getState().comparison).toEqual({ kind: 'action', id: 'S' })
    const row = within(screen.getByRole('region', { name: 'Reactions' })).getAllByRole('row')[1]
    expect(
      within(row)
        .getAllByRole('cell')
        .map((c) => c.textContent),
    ).toEqual(['A', 'Rx', '6.645', '8.608', '1.964', '29.6', 'kN'])
  })
  it('with what cannot be solved says why', async () => {
    const { user } = results(named('palm-house'), '/compare')
    await user.selectOptions(await screen.findByLabelText('compare with'), 'hinged')
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /^With all joints hinged there is no solution\. .* can (sway|move)/,
    )
  })
})

describe('members of a truss without force', () => {
  it('are listed with the joint and the rule', () => {
    const truss = named('fern-walk')
    const bare = {
      ...truss,
      loadCases: [{ id: 'X', loads: [{ type: 'nodal' as const, node: 'L1', fy: -3 }] }],
      combinations: [],
      answers: [],
    }
    results(bare)
    expect(screen.getByRole('region', { name: 'No force' }).textContent).toMatch(/U2L2|L2U2/)
  })
})

describe('files', () => {
  it('are of the Figure as it stands, and of the chosen parts', async () => {
    const { user, store } = results(named('palm-house'), '/export')
    store.getState().show('results', { diagram: 'V', reactions: false })
    const svg = await screen.findByRole('link', { name: 'SVG' })
    expect(svg.getAttribute('href')).toContain('show=V%2Csupports&case=G')
    await user.click(screen.getByRole('checkbox', { name: 'extremes' }))
    expect(screen.getByRole('link', { name: 'The results as PDF' }).getAttribute('href')).not.toContain(
      'extremes',
    )
  })
})
