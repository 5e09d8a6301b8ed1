import type { Load, Problem, Quantity, Section } from './types.js'

/**
 * Earlier versions of the page wrote rigidities and forces at an angle as expressions, since the document had
 * no keys for them: `I` as `(2*EI)/(200 GPa)`, `fx` and `fy` as `(20 kN)*cos(45 deg)` and `(20 kN)*sin(45
 * deg)`. Problems stored in that form are carried over to the keys of their own, once, when they are read.
 */

const QUOTIENT = /^\((.*)\)\/\((.*)\)$/s
const COSINE = /^\((.*)\)\*cos\((.*)\)$/s
const SINE = /^\((.*)\)\*sin\((.*)\)$/s

/** The problem with rigidities and forces at an angle stated as such; the same object when there are none. */
export function carriedOver(p: Problem): Problem {
  const sections = p.sections?.map((s) => rigiditySection(p, s))
  const loadCases = p.loadCases?.map((c) => {
    const loads = c.loads.map(polarLoad)
    return loads.every((l, i) => l === c.loads[i]) ? c : { ...c, loads }
  })
  const same =
    (sections ?? []).every((s, i) => s === p.sections![i]) &&
    (loadCases ?? []).every((c, i) => c === p.loadCases![i])
  return same ? p : { ...p, ...(sections && { sections }), ...(loadCases && { loadCases }) }
}

function rigiditySection(p: Problem, s: Section): Section {
  const quotient = typeof s.I === 'string' ? QUOTIENT.exec(s.I) : null
  if (!quotient || quotient[2] !== modulusText(p, s.id)) return s
  const out: Section = { ...s, EI: quotient[1] }
  delete out.I
  return out
}

/** The modulus of the members of a section as the earlier version wrote it. */
function modulusText(p: Problem, section: string): string | undefined {
  const id = p.members.find((m) => m.section === section)?.material ?? p.materials?.[0]?.id
  const E = p.materials?.find((m) => m.id === id)?.E
  return typeof E === 'number' ? `${E} ${p.units.force}/${p.units.length}^2` : E
}

function polarLoad(load: Load): Load {
  if ((load.type !== 'nodal' && load.type !== 'point') || load.fx === undefined || load.fy === undefined)
    return load
  const [cosine, sine] = [COSINE.exec(String(load.fx)), SINE.exec(String(load.fy))]
  if (!cosine || !sine || cosine[1] !== sine[1] || cosine[2] !== sine[2]) return load
  const out = { ...load, force: plain(cosine[1]), angle: plain(cosine[2]) }
  delete out.fx
  delete out.fy
  return out
}

const plain = (text: string): Quantity => (/^-?[\d.]+$/.test(text) ? Number(text) : text)
