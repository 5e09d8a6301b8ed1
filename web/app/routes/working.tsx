import { Uncovered } from '../check/Uncovered'
import { Working } from '../working/Working'

export default function WorkingPart() {
  return (
    <Uncovered>
      <Working />
    </Uncovered>
  )
}
