import { Press } from '../widgets/Press'
import { CaseChoice } from '../fields/CaseChoice'
import { useSheet, useSolved } from '../sheet/context'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { DisplacementsBlock, EquilibriumBlock, ReactionsBlock } from './blocks'
import { MembersBlock, TrussBlock } from './MembersBlock'
import { Reading } from './Reading'
import { asCells } from './cells'
import { useState } from 'react'
import './results.css'

/** What comes out, reactions first; every number with unit and sign convention in reach. */
export function Results() {
  const solved = useSolved()
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const problem = useSheet((s) => s.problem)
  const [copied, setCopied] = useState(false)
  return (
    <>
      <div className="sheet-body">
        <LastReadable />
        <OwnValues />
        {!solved ? (
          <Unsolved />
        ) : (
          <>
            <p className="prose signs">
              {truss ? (
                <>
                  <i>N</i> + tension (T), − compression (C). Reactions + right and up.
                </>
              ) : (
                <>
                  Moments are drawn on the tension side, + where the −y face is in tension (sagging, from left
                  to right). <i>N</i> + tension, <i>V</i> + up on the left part, reactions + right, up and
                  counter-clockwise.
                </>
              )}
            </p>
            <CaseChoice />
            <ReactionsBlock {...solved} />
            <EquilibriumBlock {...solved} />
            {truss ? <TrussBlock {...solved} /> : <MembersBlock {...solved} />}
            {!truss && <Reading {...solved} />}
            <DisplacementsBlock {...solved} />
          </>
        )}
      </div>
      <footer className="sheet-foot">
        <span>point at a row to see it on the Figure</span>
        {solved && (
          <Press
            className="link end"
            onClick={() => {
              void navigator.clipboard
                .writeText(asCells(problem, solved.solution, solved.action))
                .then(() => setCopied(true))
            }}
          >
            {copied ? 'Copied' : 'Copy the numbers'}
          </Press>
        )}
      </footer>
    </>
  )
}
