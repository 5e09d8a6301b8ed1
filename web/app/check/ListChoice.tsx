import { keepMethodChoices, methodChoices } from '@viga/core'
import { typed } from '@viga/core/document/typed'
import {
  takesMember,
  takesPlaces,
  type AnswerList,
  type ListOptions,
} from '@viga/core/statement/answer-lists'
import { OUTLINES } from '@viga/core/methods/outline'
import { useState } from 'react'
import { Line } from '../widgets/Line'
import { Pick } from '../widgets/Pick'
import { useEdit, useSheet } from '../sheet/context'
import { listedMethods } from './lists'

interface Props {
  lists: readonly AnswerList[]
  chosen: AnswerList | undefined
  onChoose: (key: string) => void
  options: ListOptions
  onOptions: (options: ListOptions) => void
}

/** Which prepared list is filled in: what such a problem asks for, a field a value. */
export function ListChoice({ lists, chosen, onChoose, options, onOptions }: Props) {
  const members = useSheet((s) => s.problem.members)
  return (
    <div className="list-choice">
      <WorkedBy />
      <label>
        <span className="quiet">Fill in</span>{' '}
        <Pick
          className="cell-select"
          aria-label="list to fill in"
          value={chosen?.key ?? ''}
          onChange={(e) => onChoose(e.target.value)}
        >
          <option value="">one by one</option>
          {lists.map((l) => (
            <option key={l.key} value={l.key}>
              {l.title}
            </option>
          ))}
        </Pick>
      </label>
      {chosen && takesPlaces(chosen.key) && <Places options={options} onOptions={onOptions} />}
      {chosen && takesMember(chosen.key) && (
        <>
          <Pick
            className="cell-select"
            aria-label="member of the matrix"
            value={options.member ?? members[0]?.id ?? ''}
            onChange={(e) => onOptions({ ...options, member: e.target.value })}
          >
            {members.map((m) => (
              <option key={m.id} value={m.id}>
                of {m.id}
              </option>
            ))}
          </Pick>
          <Pick
            className="cell-select"
            aria-label="axes of the matrix"
            value={options.axes ?? 'global'}
            onChange={(e) => onOptions({ ...options, axes: e.target.value as 'member' })}
          >
            <option value="global">global axes</option>
            <option value="member">member axes</option>
          </Pick>
        </>
      )}
    </div>
  )
}

/** The method by which the hand solution was worked: its values are asked for, its lines led to. */
function WorkedBy() {
  const worked = useSheet((s) => methodChoices(s.problem).worked)
  const apply = useEdit()
  return (
    <label>
      <span className="quiet">Worked by</span>{' '}
      <Pick
        className="cell-select"
        aria-label="method of the hand solution"
        value={worked ?? ''}
        onChange={(e) =>
          apply('say by which method it was worked', (p) =>
            keepMethodChoices(p, { worked: e.target.value || undefined }),
          )
        }
      >
        <option value="">any method</option>
        {OUTLINES.filter((m) => ASKED_FOR.has(m.key)).map((m) => (
          <option key={m.key} value={m.key}>
            {m.title.toLowerCase()}
          </option>
        ))}
      </Pick>
    </label>
  )
}

const ASKED_FOR = listedMethods()

/** Places along each member, as a line: `25%, 50%, 2.4 m`. */
function Places({ options, onOptions }: { options: ListOptions; onOptions: Props['onOptions'] }) {
  const [text, setText] = useState(() => (options.at ?? ['50%']).join(', '))
  return (
    <label>
      <span className="quiet">at</span>{' '}
      <Line
        className="cell-input"
        typing
        aria-label="places along each member"
        value={text}
        spellCheck={false}
        onChange={(e) => {
          setText(e.target.value)
          const at = e.target.value
            .split(/[,;]\s*/)
            .map((t) => t.trim())
            .filter((t) => /^[\d.].*/.test(t))
            .map(typed)
          if (at.length) onOptions({ ...options, at })
        }}
      />
    </label>
  )
}
