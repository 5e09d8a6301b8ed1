import { Uncovered } from '../check/Uncovered'
import { Results } from '../results/Results'

export default function ResultsPart() {
  return (
    <Uncovered>
      <Results />
    </Uncovered>
  )
}
