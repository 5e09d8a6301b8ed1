import { data } from 'react-router'

/** The fields of a form. @throws a response of 400 when the body is no form */
export async function formOf(request: Request): Promise<FormData> {
  try {
    return await request.formData()
  } catch {
    throw data('This is not a form.', { status: 400 })
  }
}

/** The fields as plain texts; a file among them is none. */
export const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].filter((entry): entry is [string, string] => typeof entry[1] === 'string'))
