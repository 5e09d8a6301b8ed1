/** What the Figure shows beside a step of a working; what is left out is not drawn, but for the supports. */
export interface StepFigure {
  loads?: boolean
  dimensions?: boolean
  unknowns?: boolean
  names?: boolean
  reactions?: boolean
  deflected?: boolean
  /** The diagram that the structure is read by: axial forces of a truss, moments of a frame. */
  diagram?: boolean
}
