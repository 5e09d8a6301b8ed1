export const ROLES = ['reader', 'author', 'instructor', 'administrator'] as const
export type Role = (typeof ROLES)[number]

/** Who asks. */
export interface Person {
  id: string
  name: string
  email: string | null
  /** None: a shelf that one browser alone has the key to. */
  account: boolean
  role: Role
}

/** Whose the demo problems are: open for all, changed by an administrator alone. */
export const HOUSE = '00000000-0000-4000-8000-000000000001'

/** The only person of a Viga that is started for one. */
export const HOME: Person = {
  id: '00000000-0000-4000-8000-000000000002',
  name: '',
  email: null,
  account: false,
  role: 'administrator',
}

/** Somebody who has no shelf yet: reads what is open to all. */
export const NOBODY = '00000000-0000-4000-8000-000000000000'

export const idOf = (person: Person | null): string => person?.id ?? NOBODY

/** Whether a person may put problems on a shelf. A reader reads. */
export const mayWrite = (person: Person): boolean => person.role !== 'reader'
