import { working } from '@viga/core'
import { use } from 'react'
import { useFetched } from '../widgets/use-fetched'

type List = typeof import('@viga/core/methods/list')

let list: List | undefined
let coming: Promise<List> | undefined

/** Fetches the code of the methods; the stiffness method alone comes with the Working. */
export const fetchMethods = (): Promise<List> =>
  (coming ??= import('@viga/core/methods/list').then((found) => (list = found)))

if (import.meta.env.SSR) await fetchMethods()

/** The method of a key, once its code is there; undefined where there is none such. */
export const useMethod = (key: string): working.Method | undefined =>
  key === 'stiffness' ? working.STIFFNESS_METHOD : (list ?? use(fetchMethods())).methodOf(key)

const fetchAll = async () => (await fetchMethods()).METHODS

/** Every method, once they are wanted and their code is there. */
export const useMethods = (wanted: boolean): readonly working.Method[] | undefined =>
  useFetched(wanted, fetchAll)
