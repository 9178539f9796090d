import { measureRow } from '../../size'
import type { Garment } from '../../pattern'
import type { AskedByBody, ChangeContext } from '../types'
import { applyShoulderWidth } from './apply'
import { beginShoulder } from './begin'
import type { ShoulderWidthInputs } from './schema'

/** A shoulder that is off by less than this is left as its maker drew it, mm: what a tape on a shoulder can tell. */
const LEAST_MM = 3
/** A swing by more than this turns the armhole at the shoulder so far that a corner shows, mm. */
const SWING_UP_TO_MM = 5

/** A little by a swing, which leaves the sleeve alone; more with the armhole redrawn, or by a swing where that cannot be. */
export function wayFor(garment: Garment, begun: ShoulderWidthInputs, amountMm: number, context: ChangeContext): ShoulderWidthInputs {
  const ways = Math.abs(amountMm) <= SWING_UP_TO_MM ? (['kept', 'redrawn'] as const) : (['redrawn', 'kept'] as const)
  const tries = ways.map((armhole): ShoulderWidthInputs => ({ ...begun, amountMm, armhole }))
  return tries.find((inputs) => applyShoulderWidth(garment, inputs, context).ok) ?? tries[0]!
}

/** What the body’s shoulder asks for beyond or below the seam that the chosen sizes give. */
export function proposeShoulder(garmentNow: () => Garment, { context }: AskedByBody): { inputs: ShoulderWidthInputs; note: string }[] {
  const garment = garmentNow()
  const row = measureRow(garment, context.body, 'shoulder')
  if (!row || row.missingMm === null || Math.abs(row.missingMm) < LEAST_MM) return []
  const begun = beginShoulder(garment, context)
  const note = `Shoulder length: the body measures ${row.missingMm > 0 ? 'more' : 'less'} than the seam gives.`
  return begun.ok ? [{ inputs: wayFor(garment, begun.value, row.missingMm, context), note }] : []
}
