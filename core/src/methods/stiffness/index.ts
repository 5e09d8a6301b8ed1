export * from './matrices.js'
export {
  BY_HAND,
  equationAddress,
  equations,
  gaussElimination,
  type BackLine,
  type Elimination,
  type EliminationStep,
  type Equations,
} from './elimination.js'
export { isRounding, isZeroEntry, shown, shownEntry } from '../shown.js'
export {
  addressesOf,
  visitBlock,
  visitCell,
  visitPassage,
  type BlockVisitor,
  type CellVisitor,
} from '../visit.js'
export { FIGURES, readingOf, type FactorChoice, type Reading } from '../reading.js'
export { isBeam } from './beam.js'
export {
  numbered,
  NUMBERINGS,
  numberingOf,
  numbersOf,
  renumbered,
  unknownName,
  type NumberedSolution,
  type Numbering,
  type UnknownNumbering,
} from './numbering.js'
export { factored, type Factored } from './ldl.js'
export { BY_HAND_WAYS, byHandOf, type ByHand } from './by-hand.js'
export { latexNumber, MATRIX_FORMS, matrixText, type MatrixForm } from '../matrix-text.js'
export { multiplesOf } from './origins/rigidities.js'
export { structureRows } from './origins/condensed.js'
export { addressOf, readAddress } from '../address.js'
export { ledger, KINDS, type StiffnessBook } from './book.js'
export type { BodyArrow, BodyBlock, BodyPoint, PolygonBlock } from '../bodies.js'
export { exchangedRedundants, proposedRedundants, redundantChoices } from '../forces/choices.js'
export { quantityWords } from '../forces/redundants.js'
export { soughtOf } from '../unit-load/states.js'
export { sameElsewhere, type Line } from '../counterparts.js'
export { stepOf, stepsOf, type Ledger, type OpenStep } from '../ledger.js'
export { methodOf, METHODS } from '../list.js'
export type { Fit, FoundValue, Method, NamedValue, Options, Repair, Task } from '../method.js'
export { STIFFNESS_METHOD } from './method.js'
export type { StepFigure } from '../step-figure.js'
export { OUTLINES, type Outline, type StepOutline } from '../outline.js'
export type { Entry, Origin } from './origins/kind.js'
export { courseIn } from './origins/diagrams.js'
export { evaluateFormula, letters, type Formula, type Letter, type LetterName } from '../expression.js'
export {
  bond,
  COUNTS,
  degrees,
  formulaText,
  isAngle,
  repeatsName,
  symbolText,
  type Written,
} from '../formula-text.js'
export { formulaLatex, numberLatex, symbolLatex, wordsLatex } from '../formula-latex.js'
export {
  type Block,
  type Cell,
  type ChartBlock,
  type DrawingBlock,
  type EquationBlock,
  type Mark,
  type MatrixBlock,
  type PolynomialBlock,
  type Passage,
  type Step,
  type TableBlock,
  type Unknown,
} from '../blocks.js'
export { displacementWords } from './steps/equations.js'
export { stiffnessOf } from './steps/matrices.js'
export {
  equationLatex,
  lineLatex,
  matrixLatex,
  polynomialLatex,
  textLatex,
  workingLatex,
} from '../export/latex.js'
export { stepsMarkdown, workingMarkdown } from '../export/markdown.js'
export {
  commonPower,
  LARGEST,
  parts,
  polynomialTerms,
  powerOf,
  powerWords,
  printedMatrix,
  type PrintedMatrix,
  reach,
  speller,
} from '../export/numbers.js'
