export * from './matrices.js'
export { BY_HAND, equations, gaussElimination, type BackLine, type Elimination, type EliminationStep, type Equations } from './elimination.js'
export { latexNumber, MATRIX_FORMS, matrixText, type MatrixForm } from './matrix-text.js'
