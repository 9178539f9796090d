import { findRoot } from '../../geometry'
import type { Garment } from '../../pattern'
import { measureRow } from '../../size'
import { LENGTH_FOUND_MM } from '../../tolerances'
import type { AskedByBody, ChangeContext } from '../types'
import { applyRedrawNeckline } from './apply'
import { AS_IT_IS, type RedrawNecklineInputs } from './schema'

/** A neckline that is shorter than the neck by less than this is left as its maker drew it, mm. */
const LEAST_MM = 3
/** So far down in front it is looked for, mm, as far as the front and its neckline bear it; further would be another neckline. */
const LOOKED_FOR_MM = [70, 45, 25, 12]

const neckMm = (garment: Garment, context: ChangeContext): number => measureRow(garment, context.body, 'neck')?.garmentMm ?? Number.NaN

/**
 * Deeper at centre front, so far that the neckline is so much longer all round: the back stays where it holds the garment.
 * @returns null where it is long enough, or the front has no room for it
 */
export function deeperFor(
  garment: Garment,
  begun: RedrawNecklineInputs,
  missingMm: number,
  context: ChangeContext,
): RedrawNecklineInputs | null {
  if (missingMm <= 0) return null
  const wantedMm = neckMm(garment, context) + missingMm
  const off = (frontMm: number): number => {
    const done = applyRedrawNeckline(garment, { ...begun, frontMm }, context)
    return done.ok ? neckMm(done.value.garment, context) - wantedMm : Number.NaN
  }
  const farMm = LOOKED_FOR_MM.find((mm) => off(mm) >= 0)
  const frontMm = farMm === undefined ? null : findRoot(off, 0, farMm, LENGTH_FOUND_MM)
  return frontMm === null ? null : { ...begun, frontMm }
}

/** A neckline that would choke is drawn as long as the neck; a longer one is left as its maker meant it. */
export function proposeNeckline(garmentNow: () => Garment, { context }: AskedByBody): { inputs: RedrawNecklineInputs; note: string }[] {
  const garment = garmentNow()
  const row = measureRow(garment, context.body, 'neck')
  if (!row || row.missingMm === null || row.missingMm < LEAST_MM) return []
  const inputs = deeperFor(garment, AS_IT_IS, row.missingMm, context)
  return inputs ? [{ inputs, note: 'Neck: the neckline would be tighter than the body’s neck.' }] : []
}
