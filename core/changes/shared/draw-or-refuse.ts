import type { Garment } from '../../pattern'
import { refuse, type Result } from '../../result'
import { findBrokenOutline } from '../check-outlines'
import { findLargestInSizes } from '../find-largest'

/**
 * What a change draws by an amount, or why not; then with the largest amount that works in every size.
 *
 * @param draw the garment changed by an amount, mm
 * @param remedy what to say of the largest amount, mm
 * @param passedOn codes of refusals that no smaller amount would heal
 */
export function drawOrRefuse<D extends { garment: Garment }>(
  garment: Garment,
  amountMm: number,
  draw: (garment: Garment, amountMm: number) => Result<D>,
  remedy: (largestMm: number) => string,
  passedOn: readonly string[] = [],
): Result<D> {
  const done = draw(garment, amountMm)
  const broken = done.ok ? findBrokenOutline(garment, done.value.garment) : null
  if (done.ok ? !broken : passedOn.includes(done.problem.code)) return done
  const largest = findLargestInSizes(garment, amountMm, (one, mm) => {
    const tried = draw(one, mm)
    return tried.ok && findBrokenOutline(one, tried.value.garment) === null
  })
  const [where, what] = done.ok ? [broken!.where, `${broken!.what} by this amount.`] : [done.problem.where, done.problem.message]
  return refuse('amount-too-large', where, what, remedy(largest), largest)
}
