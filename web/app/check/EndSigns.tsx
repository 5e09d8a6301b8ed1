import { setSigns, signsOf, type Signs } from '@viga/core'
import { useEdit, useSheet } from '../sheet/context'
import { OneOf } from '../widgets/Tick'

const CHOICES: Record<Signs['ends'], string> = {
  internal: 'as in the diagrams',
  member: 'forces on the member, counter-clockwise +',
}

/** The sign convention of hand values at members' ends, kept with the problem; for members that bend. */
export function EndSigns() {
  const ends = useSheet((s) => signsOf(s.problem).ends)
  const bends = useSheet((s) => s.problem.members.some((m) => m.type !== 'bar') && s.problem.kind === 'frame')
  const apply = useEdit()
  if (!bends) return null
  return (
    <div className="shows-choice">
      <div role="radiogroup" aria-label="Sign convention of end moments and end shears">
        <span className="quiet">End values</span>
        {Object.entries(CHOICES).map(([key, label]) => (
          <label key={key}>
            <OneOf
              name="signs at ends"
              checked={ends === key}
              onChange={() => apply('sign convention', (p) => setSigns(p, { ends: key as Signs['ends'] }))}
            />
            {label}
          </label>
        ))}
      </div>
    </div>
  )
}
