import { setSigns, signsOf, type Signs } from '@viga/core'
import { useEdit, useSheet } from '../sheet/context'
import { Choice } from '../widgets/Choice'

const CHOICES: readonly (readonly [Signs['ends'], string])[] = [
  ['internal', 'as in the diagrams'],
  ['member', 'forces on the member, counter-clockwise +'],
]

/** The sign convention of hand values at members' ends, kept with the problem; for members that bend. */
export function EndSigns() {
  const ends = useSheet((s) => signsOf(s.problem).ends)
  const bends = useSheet((s) => s.problem.members.some((m) => m.type !== 'bar') && s.problem.kind === 'frame')
  const apply = useEdit()
  if (!bends) return null
  return (
    <div className="shows-choice">
      <Choice
        label="Sign convention of end moments and end shears"
        lead="End values"
        options={CHOICES}
        value={ends}
        onChange={(key) => apply('sign convention', (p) => setSigns(p, { ends: key }))}
      />
    </div>
  )
}
