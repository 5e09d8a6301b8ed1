import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { edit, keepMethodChoices, working } from '@viga/core'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useEdit } from '../sheet/context'
import { Press } from '../widgets/Press'
import { useMethod, useMethods } from './method-list'
import { useFits } from './working-view'

/** A change of the statement after which a method fits, in words and as an edit. */
const REPAIRS: Record<working.Repair, { words: string; make: Parameters<ReturnType<typeof useEdit>>[1] }> = {
  'neglect-axial': {
    words: 'Neglect axial deformation',
    make: (p) => edit.setNeglectAxial(p, true),
  },
  'given-results': {
    words: 'Take the internal forces from the results',
    make: (p) => keepMethodChoices(p, { given: 'results' }),
  },
  'proposed-redundants': {
    words: 'Propose redundants that do',
    make: (p) => keepMethodChoices(p, { redundants: undefined }),
  },
  'first-order': { words: 'Choose first order', make: (p) => edit.setOrder(p, 1) },
}

const NONE: readonly working.Method[] = []

/** The method by which the problem is worked out; the others that fit, and why the rest do not. */
export function MethodChoice({ method, base }: { method: string; base: string }) {
  const navigate = useNavigate()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const fits = useFits(useMethods(anchor !== null) ?? NONE)
  const title = working.OUTLINES.find((m) => m.key === method)?.title ?? ''
  const close = () => setAnchor(null)
  return (
    <>
      <Press
        className="method-choice"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        aria-label={`Method: ${title}`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {title}
        <svg width="8" height="6" viewBox="0 0 8 6" fill="none" stroke="currentColor" aria-hidden="true">
          <path d="M1 1.5L4 4.5L7 1.5" />
        </svg>
      </Press>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close} aria-label="Methods">
        {(fits ?? []).map(({ method: m, fit }) => (
          <MenuItem
            key={m.key}
            selected={m.key === method}
            className={fit.fits ? undefined : 'method-unfit'}
            onClick={() => {
              close()
              void navigate(`${base}/${m.key}`)
            }}
          >
            <span>
              {m.title}
              {!fit.fits && <small>{fit.why}</small>}
            </span>
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}

/** Why the method of the address does not fit, and the change after which it does. */
export function NotFitting({ method, base }: { method: string; base: string }) {
  const apply = useEdit()
  const by = useMethod(method)
  const asked = useMemo(() => (by ? [by] : NONE), [by])
  const found = useFits(asked)?.[0]
  if (!found || found.fit.fits) return null
  const { why, repair } = found.fit
  return (
    <>
      <MethodChoice method={method} base={base} />
      <h1>{found.method.title}</h1>
      <p className="prose">{why}</p>
      {repair && (
        <p>
          <Press className="textlink" onClick={() => apply(REPAIRS[repair].words, REPAIRS[repair].make)}>
            {REPAIRS[repair].words}
          </Press>
        </p>
      )}
    </>
  )
}
