import { moveDartSteps } from '../shared/darts/move-steps'
import type { PaperStep, StepInput } from '../types'
import { asMove } from './apply'
import type { StraightenDartInputs } from './schema'

/** The steps of the move that straightens it. */
export function straightenSteps(input: StepInput<StraightenDartInputs>): PaperStep[] {
  const asked = asMove(input.before, input.inputs, input.context)
  return asked.ok ? moveDartSteps({ ...input, inputs: asked.value.move }) : []
}
