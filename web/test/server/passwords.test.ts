import { describe, expect, it } from 'vitest'
import { isPassword, passwordFault, passwordHash } from '../../app/server/people/passwords.server'

describe('a password', () => {
  it('is kept as its derived key, each with a salt of its own, and known again', async () => {
    const [one, two] = await Promise.all([
      passwordHash('seven brown otters'),
      passwordHash('seven brown otters'),
    ])
    expect(one).toMatch(/^scrypt\$32768\$8\$3\$[\w-]{22}\$[\w-]{43}$/)
    expect(one).not.toBe(two)
    expect(await isPassword('seven brown otters', one)).toBe(true)
    expect(await isPassword('seven brown otter', one)).toBe(false)
    // the same letters, composed otherwise
    expect(
      await isPassword('Brücke über Quitten', await passwordHash('Bru\u0308cke u\u0308ber Quitten')),
    ).toBe(true)
  })
  it('of 200 characters is taken, and every character counts', async () => {
    const long = 'seven brown otters, '.repeat(10)
    expect(passwordFault(long, 'quincetree@hill.example')).toBeUndefined()
    const kept = await passwordHash(long)
    expect(await isPassword(long, kept)).toBe(true)
    expect(await isPassword(`${long.slice(0, -1)}.`, kept)).toBe(false)
    expect(await isPassword(long.trim(), kept)).toBe(false)
  })
  it('is none where there is no account, or no hash that can be read', async () => {
    expect(await isPassword('seven brown otters', null)).toBe(false)
    expect(await isPassword('seven brown otters', 'md5$x')).toBe(false)
  })
  it.each([
    ['short', 'at least 10'],
    ['x'.repeat(201), 'at most 200'],
    ['Password123', 'common'],
    ['iloveyou!!', 'common'],
    ['at quincetree now', 'name of the address'],
    ['abababababab', 'different'],
  ])('%s is refused', (password, words) => {
    expect(passwordFault(password, 'quincetree@hill.example')).toContain(words)
  })
  it('of a few words is taken', () => {
    expect(passwordFault('seven brown otters', 'quincetree@hill.example')).toBeUndefined()
  })
})
