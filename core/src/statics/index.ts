export {
  balance,
  freeBody,
  jointPart,
  memberPart,
  wholePart,
  type Balance,
  type BodyForce,
  type Part,
  type Piece,
  type Place,
  type Term as BalanceTerm,
} from './free-body.js'
export { crossingsOf, cutAlong, type Crossing, type Cut } from './cut.js'
export { zeroForceMembers, zeroForceReason, type ZeroForce } from './zero-force.js'
