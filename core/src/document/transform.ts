import type { Form, FormData } from './form.js'
import { isRecord } from './report.js'

/** Stands for a value that is to be taken out of the document. */
export const REMOVED = Symbol('removed')
type Removed = typeof REMOVED

/** What happens to the quantities and the references of a document; what is left out stays as it is. */
export interface Visitor {
  quantity?(
    value: unknown,
    form: Extract<FormData, { t: 'quantity' }>,
    owner: Record<string, unknown>,
    path: string,
  ): unknown
  /** Another label for the thing referred to, or REMOVED when it is no longer there. */
  reference?(label: string, form: Extract<FormData, { t: 'reference' }>, path: string): string | Removed
}

/**
 * A value of a given form with its quantities and references replaced as the visitor says. What does not
 * change is the same object. Keys the form does not know stay as they are. A value that breaks its form is
 * left alone.
 * @returns the new value, or REMOVED when it refers to something that is gone and cannot do without
 */
export function transform(
  form: Form,
  value: unknown,
  visitor: Visitor,
  path = '',
  owner: Record<string, unknown> = {},
): unknown {
  switch (form.t) {
    case 'quantity':
      return visitor.quantity && typeof value !== 'boolean'
        ? visitor.quantity(value, form, owner, path)
        : value
    case 'reference':
      return typeof value === 'string' ? replaced(value, form, visitor, path) : value
    case 'record':
      return isRecord(value) ? transformRecord(form, value, visitor, path) : value
    case 'choice': {
      const kind = isRecord(value) ? value[form.key] : undefined
      const own = typeof kind === 'string' && Object.hasOwn(form.kinds, kind) ? form.kinds[kind] : undefined
      return own ? transform(own, value, visitor, path, owner) : value
    }
    case 'dictionary':
      return isRecord(value) ? transformDictionary(form, value, visitor, path) : value
    case 'list':
      return Array.isArray(value) ? transformList(form.item, value, visitor, path, owner) : value
    default:
      return value
  }
}

function replaced(
  value: string,
  form: Extract<FormData, { t: 'reference' }>,
  visitor: Visitor,
  path: string,
): string | Removed {
  if (!visitor.reference) return value
  const label = form.within ? form.within.label(value) : value
  const next = visitor.reference(label, form, path)
  if (next === REMOVED || next === label) return next === REMOVED ? REMOVED : value
  return form.within ? form.within.replace(value, next) : next
}

function transformRecord(
  form: Extract<FormData, { t: 'record' }>,
  value: Record<string, unknown>,
  visitor: Visitor,
  path: string,
): Record<string, unknown> | Removed {
  let out = value
  const change = (key: string, next: unknown) => {
    if (out === value) out = { ...value }
    if (next === REMOVED) delete out[key]
    else out[key] = next
  }
  for (const key of Object.keys(value)) {
    const entry = form.keys.get(key)
    if (!entry) continue
    const next = transform(entry.form, value[key], visitor, path === '' ? key : `${path}.${key}`, value)
    if (next === value[key]) continue
    if (next !== REMOVED) {
      change(key, next)
      continue
    }
    const rule = entry.form.t === 'reference' ? entry.form.whenRemoved : 'record'
    if (rule === 'record') {
      if (entry.required || entry.form.t === 'reference') return REMOVED
      change(key, REMOVED)
    } else for (const gone of rule) change(gone, REMOVED)
  }
  return out
}

function transformDictionary(
  form: Extract<FormData, { t: 'dictionary' }>,
  value: Record<string, unknown>,
  visitor: Visitor,
  path: string,
): Record<string, unknown> {
  let changed = false
  const entries = Object.entries(value).flatMap(([key, item]): [string, unknown][] => {
    const at = path === '' ? key : `${path}.${key}`
    const name = form.keys ? replaced(key, form.keys, visitor, at) : key
    const next = transform(form.item, item, visitor, at, value)
    changed ||= name !== key || next !== item
    return name === REMOVED || next === REMOVED ? [] : [[name, next]]
  })
  return changed ? Object.fromEntries(entries) : value
}

function transformList(
  item: Form,
  value: unknown[],
  visitor: Visitor,
  path: string,
  owner: Record<string, unknown>,
): unknown[] {
  let changed = false
  const out = value.map((v, i) => {
    const next = transform(item, v, visitor, `${path}[${i}]`, owner)
    changed ||= next !== v
    return next
  })
  return changed ? out.filter((v) => v !== REMOVED) : value
}
