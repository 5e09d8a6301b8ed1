import { address, expect, ready, test } from './pages'

/** A portal whose members keep their length: fixed at A, pinned at D, 12 kN/m on its beam, 20 kN at B. */
const portal = {
  format: 'viga-problem',
  version: 1,
  title: 'Portal of the seed store',
  units: { length: 'm', force: 'kN' },
  kind: 'frame',
  materials: [{ id: 'm', E: '200 GPa' }],
  sections: [{ id: 's', I: '8000 cm^4', A: '50 cm^2' }],
  nodes: [
    { id: 'A', x: 0, y: 0 },
    { id: 'B', x: 0, y: 4 },
    { id: 'C', x: 6, y: 4 },
    { id: 'D', x: 6, y: 0 },
  ],
  members: ['AB', 'BC', 'CD'].map((id) => ({ id, start: id[0], end: id[1], material: 'm', section: 's' })),
  supports: [
    { node: 'A', type: 'fixed' },
    { node: 'D', type: 'pin' },
  ],
  loadCases: [
    {
      id: '1',
      loads: [
        { type: 'distributed', member: 'BC', direction: 'Y', q: -12 },
        { type: 'nodal', node: 'B', fx: 20 },
      ],
    },
  ],
}

test('a portal is worked out by moment distribution, after its axial deformation is neglected', async ({
  page,
}) => {
  const response = await page.request.post(`${address()}/?index`, {
    multipart: { intent: 'open', file: JSON.stringify(portal) },
    maxRedirects: 0,
  })
  const at = response.headers().location.replace('/given', '')
  await page.goto(`${address()}${at}/working`)
  await ready(page)
  await page.getByRole('button', { name: 'Method: Stiffness method' }).click()
  await page.getByRole('menuitem', { name: /^Moment distribution/ }).click()
  await page.getByRole('button', { name: 'Neglect axial deformation' }).click()
  await page.getByRole('link', { name: /Distribution/ }).click()
  const held = page.getByRole('table').first()
  // 0.6 and 0.4 at B; −28 and 28 there in the end, held against sway
  await expect(held.getByRole('row', { name: /^factor 0.6 0.4/ })).toBeVisible()
  await expect(held.getByRole('row', { name: /^sum −14 −28 28 −24 24/ })).toBeVisible()
  await page
    .getByRole('link', { name: /End moments/ })
    .first()
    .click()
  await expect(page.getByText('33.185').first()).toBeVisible()
  await page
    .getByRole('link', { name: /Comparison/ })
    .first()
    .click()
  await expect(page.getByRole('row', { name: /^M AB 33.185 kN·m 33.185 kN·m/ })).toBeVisible()
})

test('a redundant is chosen by pressing the Figure, and a bar of a truss to be cut', async ({ page }) => {
  const bars = ['AB', 'AC', 'BC', 'BD', 'CD', 'CE', 'DE']
  const spans = {
    ...portal,
    title: 'Two spans',
    nodes: ['A', 'B', 'C'].map((id, i) => ({ id, x: [0, 6, 10][i], y: 0 })),
    members: ['AB', 'BC'].map((id) => ({ id, start: id[0], end: id[1], material: 'm', section: 's' })),
    supports: [
      { node: 'A', type: 'pin' },
      { node: 'B', type: 'roller' },
      { node: 'C', type: 'roller' },
    ],
    loadCases: [{ id: '1', loads: [{ type: 'distributed', member: 'AB', direction: 'Y', q: -12 }] }],
  }
  const truss = {
    ...portal,
    kind: 'truss',
    title: 'Five joints',
    nodes: ['A', 'B', 'C', 'D', 'E'].map((id, i) => ({ id, x: 2 * i, y: i % 2 ? 1.5 : 0 })),
    members: bars.map((id) => ({ id, start: id[0], end: id[1], material: 'm', section: 's' })),
    supports: [
      { node: 'A', type: 'pin' },
      { node: 'E', type: 'roller' },
    ],
    loadCases: [{ id: '1', loads: [{ type: 'nodal', node: 'C', fy: -24 }] }],
  }
  const open = async (problem: object, part: string) => {
    const response = await page.request.post(`${address()}/?index`, {
      multipart: { intent: 'open', file: JSON.stringify(problem) },
      maxRedirects: 0,
    })
    await page.goto(`${address()}${response.headers().location.replace('/given', '')}/working/${part}`)
    await ready(page)
  }
  await open(spans, 'forces/redundants')
  await expect(page.getByText('X₁ is the reaction of B in y.')).toBeVisible()
  await page.locator('.figure [data-target="member:AB"] .hit').click({ force: true })
  await expect(page.getByText('X₁ is the moment of AB at its end, sagging.')).toBeVisible()
  await expect(page.getByRole('img', { name: /^The released structure with its loads/ })).toBeVisible()
  await page.getByRole('link', { name: /Compatibility/ }).click()
  // by the three-moment equation 2·M·(6 + 4) = −12·6³/4
  await expect(page.getByText('−32.4').first()).toBeVisible()
  await open(truss, 'sections/cuts')
  await page.locator('.figure [data-target="member:CE"] .hit').click({ force: true })
  await expect(page.getByRole('heading', { level: 1, name: /CE/ })).toBeVisible()
  // moments about D: 12 kN at E, 2 m away, over 1.5 m
  await expect(page.getByText('CE is in tension (T).')).toBeVisible()
  await expect(page.locator('.reckon').getByText('16 kN')).toBeVisible()
})
