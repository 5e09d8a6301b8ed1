import { Link, useParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { Unsolved } from '../sheet/Unsolved'
import { AssemblyStep } from './AssemblyStep'
import { EndForcesStep, LoadsStep, ReactionsStep, SolutionStep } from './vector-steps'
import { StiffnessStep } from './StiffnessStep'
import { UnknownsStep } from './UnknownsStep'
import type { StepProps } from './step'
import './working.css'

const STEPS: { key: string; label: string; Step: (p: StepProps) => React.ReactNode }[] = [
  { key: 'unknowns', label: 'Unknowns', Step: UnknownsStep },
  { key: 'stiffness', label: 'Stiffness', Step: StiffnessStep },
  { key: 'loads', label: 'Loads', Step: LoadsStep },
  { key: 'assembly', label: 'Assembly', Step: AssemblyStep },
  { key: 'solution', label: 'Solution', Step: SolutionStep },
  { key: 'end-forces', label: 'End forces', Step: EndForcesStep },
  { key: 'reactions', label: 'Reactions', Step: ReactionsStep },
]

/** The solution by the stiffness method, line by line, with the solver's own numbers. */
export function Working() {
  const { step = 'unknowns', problemId } = useParams()
  const solved = useSolved()
  const units = useSheet((s) => s.problem.units)
  const at = Math.max(0, STEPS.findIndex((s) => s.key === step))
  const { Step } = STEPS[at]
  const base = `/problems/${problemId}/working`
  return (
    <>
      <nav className="steps" aria-label="Steps of the working">
        {STEPS.map((s, i) => (
          <Link key={s.key} to={`${base}/${s.key}`} aria-current={i === at ? 'step' : undefined}>
            <span>{i + 1}</span> {s.label}
          </Link>
        ))}
      </nav>
      <div className="sheet-body working" key={step}>
        {solved && solved.solution.structure.members.some((m) => m.axiallyRigid) && <RigidNote all={solved.solution.structure.members.every((m) => m.axiallyRigid)} />}
        {solved ? <Step solution={solved.solution} action={solved.action} units={units} /> : <Unsolved />}
      </div>
      <footer className="sheet-foot">
        {at > 0 && (
          <Link to={`${base}/${STEPS[at - 1].key}`} className="link">
            ⟵ {STEPS[at - 1].label}
          </Link>
        )}
        {at < STEPS.length - 1 && (
          <Link to={`${base}/${STEPS[at + 1].key}`} className="link end">
            {STEPS[at + 1].label} ⟶
          </Link>
        )}
      </footer>
    </>
  )
}

/** What axially rigid members change in every step. */
function RigidNote({ all }: { all: boolean }) {
  return (
    <p className="prose rigid-note">
      {all ? 'The members keep their length' : 'Axially rigid members keep their length'}: no EA/L enters their stiffness. The unknowns at their two ends follow from one another, and their axial force is what the equilibrium of the joints asks for.
    </p>
  )
}
