export * from './quantity/index.js'
export * from './document/index.js'
export * from './results/index.js'
export * from './solve.js'
export { coherentDisplay, csvFiles, headOf, tableCells, tableCsv } from './exchange/csv.js'
export { readBays, writeBays } from './document/bays.js'
export { DEFAULT_STATIONS, resultsDocument, type ResultsOptions } from './exchange/results-document.js'
export { methodsDocument, workDocument } from './exchange/work-document.js'
export { createMarker, readAttempt, type Attempt } from './exchange/marked-attempt.js'
export { markingOf, type Marking } from './checking/marks.js'
export { checkDocument } from './exchange/check-document.js'
export { explainSheet, solveWithSlip, type Explanation } from './checking/explain.js'
export { SLIP_KINDS, slipKind, type Picture, type Version } from './checking/slips/index.js'
export { judgeDrawn, type JudgedOrdinate } from './checking/drawn.js'
export { COURSE_KEY, readDrawn, valueOnRun, type DrawnRun } from './checking/read-drawn.js'
export { inSolutionOrder, solutionStep } from './checking/order.js'
export { explainedVerdicts, judgeSheet, scoreOf, type SheetVerdict } from './checking/sheet.js'
export { DEFAULT_TOLERANCE } from './checking/tolerance.js'
export { checkAnswer, checkAnswers, type AnswerVerdict, type Verdict } from './checking/answers.js'
export { PLACE_OF } from './document/ends.js'
export { endOf } from './structure/place.js'
export { divideMember, reverseMember, splitMember, splitMemberAt } from './checking/whole-values.js'
export { doubts, type Doubt } from './checking/doubts.js'
export { ownSections, ownValues } from './checking/missing-values.js'
export {
  addCombinations,
  freshCombinations,
  generateCombinations,
  type Generated,
} from './combinations/generate.js'
export { titleOf } from './document/combination-title.js'
export { COMBINATION_LISTS, type CombinationList } from './combinations/lists.js'
export {
  answerAt,
  answerDimension,
  answerName,
  isExtreme,
  withKeys,
  type Place as AnswerPlace,
  type PlaceDraft,
} from './kinds/answers/index.js'
export type { Diagnosis } from './checking/diagnosis/index.js'
export {
  breaksOf,
  chordAt,
  sidesAt,
  type Course,
  type CourseKey,
  type PlaceState,
  type Sides,
  type Stretch,
} from './analysis/course.js'
export type { ActionSolution, Solution, Solved, SolvedElement } from './analysis/solve.js'
export { wholeStiffness } from './analysis/assemble.js'
export { COMPONENTS, type Dof, type Dofs } from './analysis/dofs.js'
export { findRolled, rolledShapes, searchRolled, type RolledShape } from './kinds/sections/catalogue.js'
export { COMMON_MATERIALS, materialsFor, type CommonMaterial } from './kinds/materials/common-materials.js'
export { shapeProperties, type SectionProperties } from './kinds/sections/shapes.js'
export { determinacy, type Determinacy } from './statics/determinacy.js'
export * from './statics/index.js'
export { joinsOf, joinsWords, memberTitle } from './document/member-joins.js'
export { listed } from './structure/listed.js'
export { resolve, type Resolved, type ResolveResult } from './structure/resolve.js'
export { scaledLoad } from './structure/scaled-load.js'
export { SUPPORT_KINDS, SUPPORT_TYPES } from './kinds/supports/types.js'
export type * from './structure/types.js'
export * as working from './methods/stiffness/index.js'
export type * from './methods/stiffness/index.js'
export { fileName } from './exchange/file-name.js'
export { bentAction } from './stability/second-order.js'
export { effectiveLengths, type EffectiveLength } from './stability/effective-length.js'
export { modeOf, modeSolution } from './stability/modes.js'
export { criticalFactors, type CriticalInput } from './stability/critical.js'
export { firstOrderOf, firstOrderSolution } from './stability/first-order.js'
export { criticalInput, lowestFactor } from './stability/load-factor.js'
export { readRead, type Read } from './sweep/reads.js'
export {
  MOST_STEPS,
  solutionOf,
  stepper,
  sweep,
  type SweepInput,
  type SweepResult,
  type SweepState,
  type SweepStep,
} from './sweep/sweep.js'
export { sweepValues, type Range as SweepRange } from './sweep/values.js'
export { sweepCsv, sweepDocument } from './exchange/sweep-document.js'
export { dimensionOf, isFactor, readVaried, type Varied } from './sweep/vary.js'
export { statedQuantities, type StatedQuantity } from './sweep/stated.js'
export {
  influenceLine,
  lineAt,
  lineRefusal,
  type InfluenceLine,
  type LineStretch,
  type MemberLine,
} from './influence/line.js'
export { lineStations, type LineStation } from './influence/stations.js'
export { DIRECTIONS, unitLoad, type Direction } from './influence/unit-load.js'
export { influenceDocument } from './exchange/influence-document.js'
export { readTrain } from './influence/train-text.js'
export { readAlong, readAsked } from './influence/ask.js'
export {
  alongPath,
  areaBetween,
  lineExtremes,
  patches,
  pathOf,
  valueAlong,
  type Patch,
  type PathMember,
  type PathStretch,
} from './influence/path.js'
export {
  movingEnvelope,
  type AbsoluteWorst,
  type MovingEnvelope,
  type MovingPoint,
} from './influence/moving-envelope.js'
export { reversedTrain, trainValue, worstPlaces, type TrainLoad } from './influence/train.js'
export { letterLists, type LetterLine, type LetterList } from './letters/listed.js'
export { resultsInLetters, type InLetters, type ResultsInLetters } from './letters/results.js'
export { expressionLatex, expressionWords } from './letters/typeset.js'
