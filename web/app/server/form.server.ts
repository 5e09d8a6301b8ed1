import { data } from 'react-router'

/** The fields of a form. @throws a response of 400 when the body is no form */
export async function formOf(request: Request): Promise<FormData> {
  try {
    return await request.formData()
  } catch {
    throw data('This is not a form.', { status: 400 })
  }
}

/** Names that an object has by itself: no form of Viga has such a field. */
const isOwnName = (name: string) => name in Object.prototype

/** The fields as plain texts; a file among them is none, nor is a field with a name that every object has. */
export const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries(
    [...form].filter(
      (entry): entry is [string, string] => typeof entry[1] === 'string' && !isOwnName(entry[0]),
    ),
  )
