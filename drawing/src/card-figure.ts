import type { Structure } from '@viga/core'
import { CARD_LOAD_HAND, drawLoads, type DrawnLoad } from './loads'
import type { Group } from './marks'
import { memberGroups, SMALL_HAND } from './members'
import { supportGroups } from './supports'
import { fit } from './view'

/** A finished small drawing, made on the server and sent as marks. */
export function miniScene(
  structure: Structure,
  loads: readonly DrawnLoad[],
  width: number,
  height: number,
): Group[] {
  const drawn = structure.nodes.length > 60 ? [] : loads
  const view = fit(structure.nodes, width, height, { left: 30, right: 30, top: 36, bottom: 30 }, 40)
  return [
    ...memberGroups(structure, view, structure.members.length > 60 ? 'axis' : 'timber', SMALL_HAND),
    ...supportGroups(structure, view, SMALL_HAND),
    ...drawLoads(structure, view, drawn, CARD_LOAD_HAND).groups,
  ]
}
