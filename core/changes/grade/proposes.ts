import type { Garment } from '../../pattern'
import { sizesToCut } from '../../size'
import type { AskedByBody } from '../types'
import type { GradeInputs } from './schema'

/** A body beyond the range gets sizes drawn on from the last step (craft 4). */
export function proposeSizes(_garmentNow: () => Garment, { sheet }: AskedByBody): { inputs: GradeInputs; note: string }[] {
  const { up, down, stepMm } = sizesToCut(sheet)
  if (!stepMm) return []
  const inputs: GradeInputs = {
    intervalMm: up > 0 ? stepMm.up : stepMm.down,
    up,
    down,
    upIntervalsMm: Array.from({ length: up }, () => stepMm.up),
    downIntervalsMm: Array.from({ length: down }, () => stepMm.down),
    centre: 'none',
    rules: {},
    school: 'shift',
  }
  return [{ inputs, note: 'The body lies beyond the printed sizes: they are drawn on from the last step.' }]
}
