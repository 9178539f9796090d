import type { PaperStep } from '../pictures'
import { sideSteps } from '../shared/side-drawing'
import type { StepInput } from '../types'
import { amountsFor } from './apply'
import type { SideBalanceInputs } from './schema'

/** Ruler and pencil: what the front gains the back gives. */
export function balanceSteps(input: StepInput<SideBalanceInputs>): PaperStep[] {
  return [
    ...sideSteps(input, (pieceId) =>
      amountsFor(
        input.before.pieces.find((p) => p.id === pieceId)!,
        input.inputs,
      ),
    ),
    {
      text: 'If the underarm moved, measure front and back of the armhole again; the notch under the arm of the sleeve moves by as much.',
      drawing: null,
    },
    { text: 'Walk the side seams: front and back must be equal, and together as wide as before.', drawing: null },
  ]
}
