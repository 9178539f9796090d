import { applyOrRefuse, CHANGE_KINDS, newStop, type ChangeContext, type NewChange } from '../changes'
import type { Garment } from '../pattern'
import type { LengthRow } from '../size'
import { EQUAL_MM } from '../tolerances'

/** A length is changed from this difference on, mm: less is within how exactly a body is measured. */
export const LENGTH_MM = 3

/**
 * The change that brings one length of the garment to the body's.
 *
 * @param leastMm less than this is left as it is, mm
 * @returns null when nothing is missing, or no place for it is found
 */
export function changeForLength(garment: Garment, row: LengthRow, context: ChangeContext, leastMm = LENGTH_MM): NewChange | null {
  if (row.missingMm === null || Math.abs(row.missingMm) < leastMm - EQUAL_MM) return null
  for (const kind of CHANGE_KINDS) {
    const inputs = kind.givesLength?.(garment, row, context) ?? null
    if (inputs === null || !kind.schema.safeParse(inputs).success) continue
    return newStop(kind.kind, inputs, `${row.name}: the body measures more or less than the pattern gives.`, 'body')
  }
  return null
}

/**
 * A stop that gives the pieces so much more of a measure, mm, where some change is made for that measure alone; tried, so that it is
 * not offered where it would be refused. null where none is.
 *
 * @param note why it is there
 */
export function stopForMeasure(
  garment: Garment,
  measureId: string,
  missingMm: number,
  context: ChangeContext,
  note = 'Seen in the tissue fitting.',
): NewChange | null {
  for (const kind of CHANGE_KINDS) {
    if (!kind.givesMore || !kind.gives?.includes(measureId)) continue
    const begun = kind.begin(garment, context)
    if (!begun.ok) continue
    const inputs = kind.givesMore(garment, begun.value, missingMm, context, measureId)
    if (inputs === null || !kind.schema.safeParse(inputs).success || !applyOrRefuse(kind, garment, inputs, context).ok) continue
    return newStop(kind.kind, inputs, note)
  }
  return null
}
