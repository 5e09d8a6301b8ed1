import { Suspense } from 'react'
import { Uncovered } from '../check/Uncovered'
import { Working } from '../working/Working'

export default function WorkingPart() {
  return (
    <Uncovered>
      {/* a method whose code is on its way is waited for here */}
      <Suspense>
        <Working />
      </Suspense>
    </Uncovered>
  )
}
