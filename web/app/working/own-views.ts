import { fetchAll, later } from '../widgets/later'
import { LargeMatrix } from './large-view'

// What single steps show besides their lines and matrices. Each comes with a script of its own: a page opened
// at one step needs none of the others before it can be used.
export const AssemblyView = later(async () => (await import('./AssemblyView')).AssemblyView)
export const NumberingChoice = later(async () => (await import('./NumberingChoice')).NumberingChoice)
export const LargeBlock = later(async () => (await import('./LargeBlock')).LargeBlock)
export const HeldMember = later(async () => (await import('./HeldMember')).HeldMember)
export const Body = later(async () => (await import('./StepDrawing')).Body)
export const Polygon = later(async () => (await import('./StepDrawing')).Polygon)
export const MethodQuestions = later(async () => (await import('./MethodQuestions')).MethodQuestions)
export const Polynomial = later(async () => (await import('./Polynomial')).Polynomial)
/** How the numbers are read. */
export const ReadingMenu = later(async () => (await import('./ReadingMenu')).ReadingMenu)
/** Where a number came from, once one is opened. */
export const Derivation = later(async () => (await import('./Derivation')).Derivation)

/** All of them. */
export const OWN_VIEWS = [
  AssemblyView,
  NumberingChoice,
  LargeMatrix,
  LargeBlock,
  HeldMember,
  MethodQuestions,
  Body,
  Polygon,
  Polynomial,
  ReadingMenu,
  Derivation,
]

if (import.meta.env.SSR) await fetchAll(...OWN_VIEWS)
