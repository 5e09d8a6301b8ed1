import { firstOrderOf, firstOrderSolution, freeBody, memberPart } from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { Overlay } from '../figure/Figure'
import { useDisplay, useSolved } from '../sheet/context'

type Draw = (typeof import('@viga/drawing/free-body'))['drawFreeBody']

/** Beside the end forces the Figure shows the member that is read cut free, with the forces on its ends. */
export function useCutFree(on: boolean): Overlay | undefined {
  const solved = useSolved()
  const display = useDisplay()
  const [params] = useSearchParams()
  const id = params.get('member')
  const [draw, setDraw] = useState<Draw>()
  useEffect(() => {
    if (on) void import('@viga/drawing/free-body').then((m) => setDraw(() => m.drawFreeBody))
  }, [on])
  return useMemo(() => {
    if (!on || !draw || !solved) return undefined
    const solution = firstOrderSolution(solved.solution)
    const { structure } = solution
    const found = structure.members.findIndex((m) => m.id === id)
    const member = structure.members[Math.max(0, found)]
    if (!member) return undefined
    const part = memberPart(solution, Math.max(0, found))
    const forces = freeBody(solution, firstOrderOf(solved.action), part)
    const { cases, combinations } = structure
    const under = cases.length + combinations.length > 1 ? ` under ${solved.action.title}` : ''
    return {
      sceneOn: (view) => draw({ structure, view, display, part, forces }),
      caption:
        `${member.id} cut free${under}: its loads and end forces, ${display.force.unit} and ` +
        `${display.moment.unit}.`,
    }
  }, [on, draw, solved, display, id])
}
