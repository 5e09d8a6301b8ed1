import { dimension, edit, type EndReleases, type Member, type Quantity } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { Tick } from '../widgets/Tick'
import { useSheet, useEdit } from '../sheet/context'
import { QuantityField } from '../fields/QuantityField'

const COMPONENTS = [
  ['M', 'turning'],
  ['V', 'across'],
  ['N', 'along'],
] as const

/** The rigidity that a spring begins with. */
const FIRST_SPRING = { M: '1000 kN*m', V: '1000 kN/m', N: '1000 kN/m' } as const

/**
 * What each end passes on to its joint: all, nothing, or as much as a spring does; and how the member itself
 * behaves.
 */
export function MemberDetail({ m }: { m: Member }) {
  const apply = useEdit()
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const bar = truss || m.type === 'bar'
  const put = (what: string, change: Partial<Member>) =>
    apply(`${what} of ${m.id}`, (p) => edit.setMember(p, m.id, change))
  return (
    <div className="detail" role="group" aria-label={`Ends and behaviour of ${m.id}`}>
      {(['start', 'end'] as const).map((end) => (
        <div key={end} className="detail-end">
          <i>{m[end]}</i>
          {COMPONENTS.filter(([key]) => !bar || key === 'N').map(([key, word]) => (
            <ReleaseLine key={key} m={m} end={end} of={key} word={word} />
          ))}
        </div>
      ))}
      <div className="detail-flags">
        {!truss && (
          <Flag
            label="a bar: axial force alone"
            on={m.type === 'bar'}
            set={(on) => put('kind', { type: on ? 'bar' : undefined })}
          />
        )}
        <Flag
          label="keeps its length"
          on={m.axiallyRigid === true}
          set={(on) => put('length', { axiallyRigid: on || undefined })}
        />
        {!bar && (
          <Flag
            label="deforms in shear too"
            on={m.shearDeformation === true}
            set={(on) => put('shear', { shearDeformation: on || undefined })}
          />
        )}
      </div>
    </div>
  )
}

interface ReleaseProps {
  m: Member
  end: 'start' | 'end'
  of: keyof EndReleases
  word: string
}

/** The release of one component at one end: rigid, released, or through a spring. */
function ReleaseLine({ m, end, of, word }: ReleaseProps) {
  const apply = useEdit()
  const release = (value: true | Quantity | undefined, merge?: string) =>
    apply(`end of ${m.id}`, (p) => edit.setRelease(p, m.id, end, of, value), { merge })
  const value = m.releases?.[end]?.[of]
  const choice = value === undefined ? 'rigid' : value === true ? 'free' : 'spring'
  const choose = (to: string) => release(to === 'rigid' ? undefined : to === 'free' ? true : FIRST_SPRING[of])
  return (
    <div className="detail-line">
      <span className="quiet">{word}</span>
      <Pick
        className="cell-select"
        aria-label={`${word} at ${m[end]} of ${m.id}`}
        value={choice}
        onChange={(e) => choose(e.target.value)}
      >
        <option value="rigid">rigid</option>
        <option value="free">released</option>
        <option value="spring">by a spring</option>
      </Pick>
      {choice === 'spring' && (
        <QuantityField
          name={`spring ${of} at ${m[end]} of ${m.id}`}
          value={value as Quantity}
          dimension={of === 'M' ? dimension.moment : dimension.forcePerLength}
          onChange={(v, merge) => release(v, merge)}
        />
      )}
    </div>
  )
}

function Flag({ label, on, set }: { label: string; on: boolean; set: (on: boolean) => void }) {
  return (
    <label className={on ? 'on' : 'quiet'}>
      <Tick checked={on} onChange={(e) => set(e.target.checked)} /> {label}
    </label>
  )
}
