import { boolean, object, ref, string, ValidationError, type ObjectSchema } from 'yup'

/** What forms about people hold, for the browser, which says at once what is missing, and for the server. */

const email = string()
  .trim()
  .required('The e-mail address is missing.')
  .max(254, 'An e-mail address has at most 254 characters.')
  .email('This is not an e-mail address.')
const password = string().required('The password is missing.').max(1000, 'This is too long.')
const name = string().trim().default('').max(120, 'A name has at most 120 characters.')

export const signInForm = object({ email, password })
export const createForm = object({ email, password, name })
export const forgotForm = object({ email })
export const newPasswordForm = object({
  password,
  again: string()
    .oneOf([ref('password')], 'The two are not the same.')
    .required('Please repeat the password.'),
})
export const changeForm = object({ old: password, password })
export const nameForm = object({ name })
export const deleteForm = object({ password: string().default('').max(1000, 'This is too long.') })
export const shareForm = object({ email, write: boolean().default(false) })

export type Faults = Record<string, string>

/** The fields of a form as its schema has them, or what is wrong, by field. */
export function readForm<T extends object>(
  schema: ObjectSchema<T>,
  fields: Record<string, unknown>,
): { ok: true; fields: T } | { ok: false; faults: Faults } {
  try {
    return { ok: true, fields: schema.validateSync(fields, { abortEarly: false, stripUnknown: true }) as T }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const faults: Faults = {}
    for (const { path, message } of error.inner.length ? error.inner : [error]) faults[path ?? ''] ??= message
    return { ok: false, faults }
  }
}
