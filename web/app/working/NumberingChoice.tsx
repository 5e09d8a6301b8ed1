import { edit, working, type Solution } from '@viga/core'
import { useMemo } from 'react'
import { Choice } from '../widgets/Choice'
import { Tick } from '../widgets/Tick'
import { useSheet, useEdit } from '../sheet/context'
import { TextField } from '../fields/TextField'

const WORDS = {
  'free-first': 'free ones first',
  'held-first': 'held ones first',
  'by-joint': 'joint by joint',
  own: 'as I say',
} as const

const ORDER = ['x', 'y', 'rotation']

/** How the unknowns are numbered, to match the book; everything that bears a number follows. */
export function NumberingChoice({ solution }: { solution: Solution }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const shown = useMemo(() => working.numbered(solution, problem), [solution, problem])
  const labelRequest = useSheet((s) => working.numberingOf(s.problem))
  const now = Array.isArray(labelRequest) ? 'own' : labelRequest
  const all = working.inOrder(working.unknowns(shown))
  const names = all.map((u) => working.unknownName(u.node, u.component))
  const set = (numbering: working.Numbering) =>
    apply('number the unknowns', (p) =>
      edit.setView(p, 'numbering', numbering === 'free-first' ? undefined : numbering),
    )
  const take = (name: string, text: string): string | null => {
    if (!/^\d{1,5}$/.test(text) || Number(text) < 1 || Number(text) > all.length)
      return `A number from 1 to ${all.length}.`
    set(working.renumbered(names, name, Number(text)))
    return null
  }
  return (
    <div className="numbering">
      <Choice
        label="Numbering of the unknowns"
        lead="Numbered:"
        options={([...working.NUMBERINGS, 'own'] as const).map((key) => [key, WORDS[key]] as const)}
        value={now}
        onChange={(key) => set(key === 'own' ? names : key)}
      />
      {working.isBeam(solution) && (
        <label className="choice">
          <Tick
            checked={shown.numbering.bendingOnly}
            onChange={(e) =>
              apply('axial unknowns', (p) => edit.setView(p, 'bendingOnly', e.target.checked || undefined))
            }
          />{' '}
          bending only: nothing acts along the beam, so its axial unknowns are left out
        </label>
      )}
      {now === 'own' && <OwnNumbers solution={solution} all={all} onNumber={take} />}
    </div>
  )
}

interface OwnNumbersProps {
  solution: Solution
  all: readonly working.Unknown[]
  onNumber: (name: string, text: string) => string | null
}

/** The unknowns of each joint with their numbers, to be typed. */
function OwnNumbers({ solution, all, onNumber }: OwnNumbersProps) {
  return (
    <div className="own-numbers">
      {solution.structure.nodes.map((n, i) => {
        const here = all
          .filter((u) => u.node === n.id)
          .sort((a, b) => ORDER.indexOf(a.component) - ORDER.indexOf(b.component))
        if (here.length === 0) return null
        return (
          <span key={i}>
            <i>{n.id}</i>
            {here.map((u) => (
              <label key={u.index}>
                {u.component === 'rotation' ? 'turn' : u.component}
                <TextField
                  name={`number of ${working.unknownName(u.node, u.component)}`}
                  className="cell-input own-number"
                  value={String(u.number)}
                  onCommit={(t) => onNumber(working.unknownName(u.node, u.component), t)}
                />
              </label>
            ))}
          </span>
        )
      })}
    </div>
  )
}
