import { dimension, shapeSides, type ProblemError, type Section } from '@viga/core'
import { withRigidity } from '@viga/core/statement/rigidities'
import { lazy, Suspense } from 'react'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { useTypedEdit } from '../sheet/context'
import type { By } from './section-ways'

// the catalogue and its list come when a section asks for them
const Rolled = lazy(() => import('./Rolled'))

/** Changes some properties of a section; returns why it was refused. */
export type PutSection = (change: Partial<Section>, merge?: string) => ProblemError | null

/** The values of a section, in the way that it is stated. */
export function SectionValues({ s, by, put }: { s: Section; by: By; put: PutSection }) {
  const field = (key: 'A' | 'I') => (
    <span key={key} className="rich-field">
      <span className="quiet italic">{key}</span>
      <QuantityField
        name={`${key} of ${s.id}`}
        value={s[key]}
        dimension={key === 'A' ? dimension.area : dimension.secondMoment}
        placeholder="none"
        onClear={() => put({ [key]: undefined })}
        onChange={(v, merge) => put({ [key]: v }, merge)}
      />
    </span>
  )
  if (by === 'AI') return <span className="rich">{(['A', 'I'] as const).map(field)}</span>
  if (by === 'catalogue')
    return (
      <Suspense fallback={<span className="rich-field wide">{s.catalogue}</span>}>
        <Rolled key={s.catalogue} s={s} put={put} />
      </Suspense>
    )
  if (by === 'EI')
    return (
      <span className="rich rigidities">
        <RigidityField s={s} of="EI" />
        <RigidityField s={s} of="EA" />
        {field('A')}
      </span>
    )
  const stated = Object.keys(s.shape ?? {}).filter((k) => k !== 'type')
  return (
    <span className="rich">
      <Sides s={s} keys={[...new Set([...shapeSides[by], ...stated])]} put={put} />
    </span>
  )
}

/** A rigidity as it is said: a number with its unit, a symbol, or so many times a symbol. */
function RigidityField({ s, of }: { s: Section; of: 'EI' | 'EA' }) {
  const typed = useTypedEdit()
  return (
    <span className="rich-field">
      <span className="quiet italic">{of}</span>
      <TextField
        name={`${of} of ${s.id}`}
        value={String(s[of] ?? '')}
        placeholder={of === 'EA' ? 'E·A' : 'E·I'}
        onCommit={(t) => typed(`${of} of ${s.id}`, (p) => withRigidity(p, s.id, of, t))}
      />
    </span>
  )
}

/** Sides of a shape; those it can do without may be cleared. */
export function Sides({ s, keys, put }: { s: Section; keys: readonly string[]; put: PutSection }) {
  const needed = shapeSides[s.shape!.type]
  return (
    <>
      {keys.map((k) => {
        const optional = !needed.includes(k)
        const set = (v: Section['A'] | undefined, merge?: string) => {
          const shape = { ...s.shape!, [k]: v } as NonNullable<Section['shape']>
          if (v === undefined) delete (shape as Record<string, unknown>)[k]
          return put({ shape }, merge)
        }
        return (
          <span key={k} className="rich-field">
            <span className="quiet italic">{SIDE_WORDS[k] ?? k}</span>
            <QuantityField
              name={`${k} of ${s.id}`}
              value={s.shape?.[k]}
              dimension={dimension.length}
              placeholder={optional ? (k === 'r' ? '0' : 'same') : undefined}
              onClear={optional ? () => set(undefined) : undefined}
              onChange={set}
            />
          </span>
        )
      })}
    </>
  )
}

const SIDE_WORDS: Record<string, string> = { bBottom: 'b below', tfBottom: 'tf below' }
