import { lazy, Suspense, useState } from 'react'
import { useSheet } from '../sheet/context'
import { Press } from '../widgets/Press'
import { useEver } from '../widgets/use-ever'
import { useSigns } from './solved'

// the choices come when they are first asked for
const SignsChoice = lazy(() => import('./SignsChoice'))

/** The sign conventions in one sentence, and the way to others. */
export function SignsLine() {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const signs = useSigns()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const asked = useEver(anchor !== null)
  const { momentSide, moment, axial } = signs
  const positive =
    axial === 'tension' ? '+ tension (T), − compression (C)' : '+ compression (C), − tension (T)'
  const up = signs.shear === 'left-up' ? 'up' : 'down'
  return (
    <p className="prose signs">
      {truss ? (
        <>
          <i>N</i> {positive}. Reactions + right and up.{' '}
        </>
      ) : (
        <>
          Moments are drawn on the {momentSide} side, + {moment} from start to end. <i>N</i> + {axial},{' '}
          <i>V</i> + {up} on the left part, reactions + right, up and counter-clockwise.{' '}
        </>
      )}
      <Press className="textlink" aria-haspopup="dialog" onClick={(e) => setAnchor(e.currentTarget)}>
        Sign convention
      </Press>
      {asked && (
        <Suspense>
          <SignsChoice anchor={anchor} onClose={() => setAnchor(null)} />
        </Suspense>
      )}
    </p>
  )
}
