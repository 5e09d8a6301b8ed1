import { describe, expect, it } from 'vitest'
import {
  changeForm,
  createForm,
  deleteForm,
  nameForm,
  newPasswordForm,
  readForm,
  shareForm,
  signInForm,
} from '../../app/people/forms'

const email = 'fern@quince.example'
const password = 'seven brown otters'

describe('forms about people', () => {
  it('trim an address, and keep a password as it is', () => {
    expect(readForm(signInForm, { email: `  ${email} `, password: ` ${password} ` })).toEqual({
      ok: true,
      fields: { email, password: ` ${password} ` },
    })
  })

  it('say what is missing or wrong, each at its own field', () => {
    expect(readForm(signInForm, {})).toEqual({
      ok: false,
      faults: { email: 'The e-mail address is missing.', password: 'The password is missing.' },
    })
    expect(readForm(signInForm, { email: 'fern at quince', password })).toEqual({
      ok: false,
      faults: { email: 'This is not an e-mail address.' },
    })
  })

  it('take no more than fits', () => {
    const long = readForm(createForm, { email: `${'a'.repeat(300)}@b.example`, password: 'x'.repeat(2000) })
    if (long.ok) throw new Error('too long')
    expect(long.faults.email).toBe('An e-mail address has at most 254 characters.')
    expect(long.faults.password).toBe('This is too long.')
    expect(readForm(nameForm, { name: 'n'.repeat(121) })).toMatchObject({ ok: false })
  })

  it('leave out what nobody asked for', () => {
    const read = readForm(signInForm, { email, password, role: 'administrator', id: '1' })
    expect(read).toEqual({ ok: true, fields: { email, password } })
  })

  it('a name may be empty; a password is repeated as it was', () => {
    expect(readForm(createForm, { email, password })).toMatchObject({ ok: true, fields: { name: '' } })
    expect(readForm(newPasswordForm, { password, again: password })).toMatchObject({ ok: true })
    expect(readForm(newPasswordForm, { password, again: 'something else' })).toEqual({
      ok: false,
      faults: { again: 'The two are not the same.' },
    })
    expect(readForm(changeForm, { password })).toMatchObject({
      ok: false,
      faults: { old: expect.any(String) },
    })
  })

  it('an account without a password is deleted without one', () =>
    expect(readForm(deleteForm, {})).toEqual({ ok: true, fields: { password: '' } }))

  it('a person shared with reads unless it is said that they may write', () => {
    expect(readForm(shareForm, { email })).toMatchObject({ ok: true, fields: { write: false } })
    expect(readForm(shareForm, { email, write: 'true' })).toMatchObject({ ok: true, fields: { write: true } })
    expect(readForm(shareForm, { email, write: 'perhaps' })).toMatchObject({ ok: false })
  })
})
