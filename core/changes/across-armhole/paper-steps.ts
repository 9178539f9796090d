import { armholesWithSleeve, findArmholes, measureArmhole, runLength } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { acrossOf } from '../shared/across'
import { stepsAtLevels } from '../shared/levels/paper-steps'
import type { StepInput } from '../types'
import { asLevels } from './as-levels'
import type { AcrossArmholeInputs } from './schema'

/** The line drawn, folded or opened; then the armhole by its new length, and the cap to it. */
export function acrossPaperSteps(input: StepInput<AcrossArmholeInputs>): PaperStep[] {
  const { before, inputs, applied, context, ruler } = input
  const [across] = acrossOf(before, inputs.half)
  const [armhole] = findArmholes(applied.garment)
  if (!across || !armhole) return []
  const lined = { ...applied, touched: applied.touched.filter((t) => t.levels.length > 0) }
  const steps = stepsAtLevels({ ...input, inputs: asLevels(before, across, inputs), applied: lined })
  const figure = (mm: number) => formatLength(mm, ruler)
  const newMm = runLength(applied.garment, armhole[inputs.half], context.sizeId)
  const pairs = armholesWithSleeve(applied.garment)
  const cap = pairs.ok ? measureArmhole(applied.garment, pairs.value[0]!, context.sizeId).cap[inputs.half] : null
  const text =
    cap === null
      ? `The ${inputs.half} armhole measures ${figure(newMm)} now: bind or face it by that.`
      : `The ${inputs.half} armhole measures ${figure(newMm)} now. Redraw that half of the cap to ${figure(cap)}, its ease as before; the sleeve seams keep their lengths.`
  return [...steps, { text, drawing: null }]
}
