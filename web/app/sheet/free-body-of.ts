import {
  cutAlong,
  freeBody,
  jointPart,
  memberPart,
  wholePart,
  type ActionSolution,
  type BodyForce,
  type Part,
  type Solution,
} from '@viga/core'
import type { BodyChoice } from './results-view'

/** The part of the structure that was chosen, with all forces on it; or why there is none. */
export type ChosenBody =
  | {
      ok: true
      /** "joint A", as in "free body of joint A". */ name: string
      part: Part
      forces: BodyForce[]
      other?: BodyForce[]
    }
  | { ok: false; message: string }

/** The free body that a choice stands for. A section shows the forces on both of its faces. */
export function bodyOf(solution: Solution, action: ActionSolution, choice: BodyChoice): ChosenBody {
  const { nodes, members } = solution.structure
  const body = (name: string, part: Part): ChosenBody => ({
    ok: true,
    name,
    part,
    forces: freeBody(solution, action, part),
  })
  switch (choice.kind) {
    case 'whole':
      return body('the whole structure', wholePart(solution))
    case 'joint': {
      const at = nodes.findIndex((n) => n.id === choice.id)
      return at < 0 ? gone(choice.id) : body(`joint ${choice.id}`, jointPart(at))
    }
    case 'member': {
      const at = members.findIndex((m) => m.id === choice.id)
      return at < 0 ? gone(choice.id) : body(`member ${choice.id}`, memberPart(solution, at))
    }
    case 'section': {
      const at = members.findIndex((m) => m.id === choice.id)
      if (at < 0) return gone(choice.id)
      const x = Math.min(choice.x, members[at].length)
      const right = memberPart(solution, at, x)
      const left = memberPart(solution, at, 0, x)
      return {
        ok: true,
        name: `member ${choice.id}, cut open`,
        part: { joints: new Set(), pieces: [...left.pieces, ...right.pieces] },
        forces: freeBody(solution, action, left),
        other: freeBody(solution, action, right),
      }
    }
    case 'cut': {
      const cut = cutAlong(solution, choice.a, choice.b)
      if (!cut.ok) return cut
      return body(`the part ${sideOnPage(choice)}`, cut[choice.side])
    }
  }
}

/** Where the part lies as one looks at the page: left or right of a steep cut, above or below a flat one. */
function sideOnPage({ a, b, side }: Extract<BodyChoice, { kind: 'cut' }>): string {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const isLeft = side === 'left'
  if (Math.abs(dy) >= Math.abs(dx)) return dy > 0 === isLeft ? 'left of the cut' : 'right of the cut'
  return dx > 0 === isLeft ? 'above the cut' : 'below the cut'
}

const gone = (id: string): ChosenBody => ({ ok: false, message: `${id} is no longer there.` })
