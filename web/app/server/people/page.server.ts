import { data } from 'react-router'
import type { ObjectSchema } from 'yup'
import { readForm, type Faults } from '../../people/forms'
import type { Access } from './access.server'
import type { Entered } from './accounts.server'
import type { Person } from './person'

/** Refuses pages about people where there is only one. */
export function needMany(access: Access): void {
  if (!access.many) throw data('This Viga has one person, and no accounts.', { status: 404 })
}

/** The person with an account who asks. */
export function needAccount(access: Access): Person {
  needMany(access)
  if (!access.person?.account) throw data('Please sign in first.', { status: 401 })
  return access.person
}

export function needAdministrator(access: Access): Person {
  const person = needAccount(access)
  if (person.role !== 'administrator') throw data('This is for the administrator.', { status: 403 })
  return person
}

type Answer = { ok: true; said?: string } | { ok: false; faults: Faults }

/** Reads a form by its schema and does what it asks for; what is wrong goes back to its field. */
export async function answerForm<T extends object>(
  schema: ObjectSchema<T>,
  fields: Record<string, unknown>,
  act: (fields: T) => Promise<Entered>,
  said?: string,
): Promise<{ answer: Answer; status: number }> {
  const read = readForm(schema, fields)
  if (!read.ok) return { answer: read, status: 400 }
  const done = await act(read.fields)
  return done.ok
    ? { answer: { ok: true, said }, status: 200 }
    : { answer: { ok: false, faults: { [done.field]: done.message } }, status: 400 }
}
