import { edit, working } from '@viga/core'
import { useEdit } from '../sheet/context'
import { Press } from '../widgets/Press'
import { useWorkingView } from './working-view'

/** The steps whose matrices a factor is taken out of. */
const STEPS = ['stiffness', 'assembly']

/** Proposes to take out of the matrices what every member shares, as a book does: EI [12 6L …]. */
export function FactorProposal({ step }: { step: string }) {
  const apply = useEdit()
  const { ledger, reading } = useWorkingView()
  if (reading.factor !== 'none' || !STEPS.includes(step)) return null
  const common = ledger.entry('common')
  if (!common) return null
  const letter = working.symbolText(common.symbol)
  return (
    <p className="prose quiet factor-proposal">
      Every member has {letter} as a factor.{' '}
      <Press
        className="textlink"
        onClick={() =>
          apply(`${letter} taken out of the matrices`, (p) =>
            edit.setView(p, 'reading', { ...reading, factor: 'common' }),
          )
        }
      >
        Take {letter} out of the matrices
      </Press>
    </p>
  )
}
