import type { PaperStep } from '../pictures'
import { sideSteps } from '../shared/side-drawing'
import type { StepInput } from '../types'
import type { AddAtEdgeInputs } from './schema'

/** Ruler and pencil: measure out from the side, join the marks. */
export function addPaperSteps(input: StepInput<AddAtEdgeInputs>): PaperStep[] {
  return [
    ...sideSteps(input, () => input.inputs),
    { text: 'If the underarm moved, measure the armhole again and make the sleeve cap as much longer than it as before.', drawing: null },
    { text: 'Walk the side seams: front and back must be equal.', drawing: null },
  ]
}
