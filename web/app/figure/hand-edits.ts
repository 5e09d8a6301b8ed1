// everything that changes the problem by hand on the Figure; it comes apart from what only looks at it
export { drawnTo, placeTyped, showGhost } from './draw-members'
export { endClicked, letGo, movedJoint, pulledLoad, turnEnd } from './pull-things'
