import { gathered, type Bundle } from '@viga/drawing/gathered'
import type { Group } from '@viga/drawing/marks'

const known = new WeakMap<readonly Group[], Bundle[]>()

/** The few paths that the groups of a large drawing are drawn as; found once for a drawing. */
export function bundlesOf(groups: readonly Group[]): Bundle[] {
  let bundles = known.get(groups)
  if (!bundles) known.set(groups, (bundles = gathered(groups)))
  return bundles
}
