import { AMERICAN } from './american.js'
import { ANGLES } from './angles.js'
import { BRITISH } from './british.js'
import { EUROPEAN } from './european.js'
import type { Series } from './form.js'
import { HOLLOW } from './hollow.js'
import { MORE } from './more.js'

/** The rolled shapes courses use, in the order in which they are offered. */
export const SERIES: readonly Series[] = [...EUROPEAN, ...BRITISH, ...AMERICAN, ...HOLLOW, ...ANGLES, ...MORE]
