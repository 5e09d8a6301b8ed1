export type * from './types.js'
export { keepMethodChoices, methodChoices, type MethodChoices } from './method-choices.js'
export { influenceView, keepInfluence, type InfluenceView } from './influence-view.js'
export {
  checkProblem,
  MAX_BYTES,
  MAX_NESTING,
  nestingOf,
  readProblem,
  VERSION,
  writeProblem,
  type ReadResult,
} from './read.js'
export { shapeSides } from '../kinds/sections/form.js'
export { describeLoad, isIdleLoad } from '../kinds/loads/index.js'
export * as edit from './edits/edits.js'
export { plainNumbers, setUnits } from './edits/units-edit.js'
export { newProblem } from './new.js'
export {
  inLetters,
  LETTER_CHOICES,
  lengthsInLetters,
  lettersOf,
  symbolsIn,
  type LetterChoice,
} from './letters.js'
export { freeId, memberLabel, nextNodeLabel, readChain } from './labels.js'
export { findJoint, findMember, findPlace, type Named, type NamedMember } from './names.js'
export { shownAngle, typedAngle } from './typed.js'
export { measure, scaled, tidy, type Measure, type Point } from './measure.js'
export { coincident, mergeNodes } from './edits/merge.js'
export { crossing, joinCrossing } from './edits/split.js'
export { membersLike, renumberNodes } from './edits/alike.js'
export {
  copySelection,
  jointsOf,
  membersOf,
  mirrorSelection,
  moveNodes,
  type CopyOptions,
  type Selection,
} from './edits/repeat.js'
export {
  addShape,
  beamShape,
  frameShape,
  gableShape,
  trussShape,
  type StartingShape,
  type TrussForm,
} from './edits/starting-shapes.js'
export { joinOnMembers, joinThrough, placeNode, readRelative, readStep } from './edits/draw.js'
export { copyRows, pasteRows, type Pasted } from './edits/rows.js'
export { goneWith } from './gone-with.js'
export { lineOf, type LeftRow } from './cells.js'
export { displayOf, withUnit, type Display, type ShownUnit } from './display.js'
export { isThing, readThing, thing, type Thing, type ThingKey } from './thing.js'
export { OWN_SIGNS, SIGN_CHOICES, setSigns, signFactors, signsOf, type Signs } from './signs.js'
export { dropPlace, keepPlace, keptPlaces, type KeptPlace } from './kept-places.js'
export { allHinged, allRigid, axialTurned, withoutI } from './edits/variants.js'
export {
  drawnDiagram,
  drawnDiagrams,
  setDrawnDiagram,
  STRETCH_KINDS,
  type DrawnDiagram,
  type DrawnOrdinate,
  type StretchKind,
} from './drawn-diagrams.js'
export { renameSymbol, symbolInUse, symbolNameRefusal } from './edits/symbols.js'
