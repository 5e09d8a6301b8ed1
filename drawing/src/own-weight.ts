import type { StatedLoad, Structure } from '@viga/core'

/** Own weight of a member as a load that can be drawn; bars carry theirs to their joints. */
function ownWeightOf(s: Structure, member: number, factor: number): StatedLoad[] {
  const m = s.members[member]
  return factor === 0 || m.bar || !(m.weight > 0)
    ? []
    : [
        {
          type: 'distributed',
          member,
          direction: 'Y',
          per: 'length',
          points: [0, m.length].map((at) => ({ at, q: -factor * m.weight })),
        },
      ]
}

/** A structure whose own weight stands among the loads of its cases. */
export const withOwnWeight = (s: Structure): Structure => ({
  ...s,
  cases: s.cases.map((c) => ({
    ...c,
    loads: [...c.loads, ...s.members.flatMap((_, i) => ownWeightOf(s, i, c.selfWeight))],
  })),
})
