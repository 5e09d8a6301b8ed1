import { dimension, edit, type EndReleases, type Member, type Quantity } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore } from '../sheet/context'
import { QuantityField } from '../fields/QuantityField'

const COMPONENTS = [
  ['M', 'turning'],
  ['V', 'across'],
  ['N', 'along'],
] as const

/**
 * What each end passes on to its joint: all, nothing, or as much as a spring does; and how the member itself
 * behaves.
 */
export function MemberDetail({ m }: { m: Member }) {
  const store = useSheetStore()
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const bar = truss || m.type === 'bar'
  const release = (
    end: 'start' | 'end',
    key: keyof EndReleases,
    value: true | Quantity | undefined,
    merge?: string,
  ) => store.getState().edit(`end of ${m.id}`, (p) => edit.setRelease(p, m.id, end, key, value), { merge })
  return (
    <div className="detail" role="group" aria-label={`Ends and behaviour of ${m.id}`}>
      {(['start', 'end'] as const).map((end) => (
        <div key={end} className="detail-end">
          <i>{m[end]}</i>
          {COMPONENTS.filter(([key]) => !bar || key === 'N').map(([key, word]) => {
            const value = m.releases?.[end]?.[key]
            const choice = value === undefined ? 'rigid' : value === true ? 'free' : 'spring'
            return (
              <div key={key} className="detail-line">
                <span className="quiet">{word}</span>
                <Pick
                  className="cell-select"
                  aria-label={`${word} at ${m[end]} of ${m.id}`}
                  value={choice}
                  onChange={(e) =>
                    release(
                      end,
                      key,
                      e.target.value === 'rigid'
                        ? undefined
                        : e.target.value === 'free'
                          ? true
                          : key === 'M'
                            ? '1000 kN*m'
                            : '1000 kN/m',
                    )
                  }
                >
                  <option value="rigid">passed on</option>
                  <option value="free">released</option>
                  <option value="spring">by a spring</option>
                </Pick>
                {choice === 'spring' && (
                  <QuantityField
                    name={`spring ${key} at ${m[end]} of ${m.id}`}
                    value={value as Quantity}
                    dimension={key === 'M' ? dimension.moment : dimension.forcePerLength}
                    onChange={(v, merge) => release(end, key, v, merge)}
                  />
                )}
              </div>
            )
          })}
        </div>
      ))}
      <div className="detail-flags">
        {!truss && (
          <Flag
            label="a bar: axial force alone"
            on={m.type === 'bar'}
            set={(on) =>
              store
                .getState()
                .edit(`kind of ${m.id}`, (p) => edit.setMember(p, m.id, { type: on ? 'bar' : undefined }))
            }
          />
        )}
        <Flag
          label="keeps its length"
          on={m.axiallyRigid === true}
          set={(on) =>
            store
              .getState()
              .edit(`length of ${m.id}`, (p) => edit.setMember(p, m.id, { axiallyRigid: on || undefined }))
          }
        />
        {!bar && (
          <Flag
            label="deforms in shear too"
            on={m.shearDeformation === true}
            set={(on) =>
              store
                .getState()
                .edit(`shear of ${m.id}`, (p) =>
                  edit.setMember(p, m.id, { shearDeformation: on || undefined }),
                )
            }
          />
        )}
      </div>
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
