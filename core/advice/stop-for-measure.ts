import { findMeasure, smallerSide } from '../body'
import { applyOrRefuse, CHANGE_KINDS, newStop, type ChangeContext, type ChangeKind, type NewChange } from '../changes'
import type { Garment } from '../pattern'
import type { LengthRow } from '../size'
import { EQUAL_MM } from '../tolerances'
import { differenceToken } from '../units'

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
    return newStop(
      kind.kind,
      inputs,
      `${row.name}: the body measures ${row.missingMm > 0 ? 'more' : 'less'} than the pattern gives.`,
      'body',
    )
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
  const made = inputsFor(garment, measureId, missingMm, context, (_kind, inputs) => inputs)
  return made && newStop(made.kind.kind, made.inputs, note)
}

/**
 * The stop that takes out on the smaller side of the body what its larger side needs more, for pieces that are made for the larger one;
 * tried, too. null where both sides are alike, or no change for that measure can be done on one side.
 */
export function stopForSmallerSide(garment: Garment, measureId: string, context: ChangeContext): NewChange | null {
  const smaller = smallerSide(context.body, measureId)
  if (!smaller) return null
  const { side, smallerMm, largerMm } = smaller
  const made = inputsFor(garment, measureId, smallerMm - largerMm, context, (kind, inputs) => {
    if (!kind.sideOf) return null
    const own = { ...(inputs as object), side }
    return kind.onItsSide?.(garment, own) ?? own
  })
  const name = findMeasure(measureId)?.name ?? measureId
  return made && newStop(made.kind.kind, made.inputs, `${name}: the ${side} is ${differenceToken(smallerMm, largerMm)} less.`)
}

/** Inputs of the first kind that give so much more of a measure, as they are made for it, and that are not refused; null where none are. */
function inputsFor(
  garment: Garment,
  measureId: string,
  missingMm: number,
  context: ChangeContext,
  made: (kind: ChangeKind<unknown>, inputs: unknown) => unknown,
): { kind: ChangeKind<unknown>; inputs: unknown } | null {
  for (const kind of CHANGE_KINDS) {
    if (!kind.givesMore || !kind.gives?.includes(measureId)) continue
    const begun = kind.begin(garment, context)
    const given = begun.ok ? kind.givesMore(garment, begun.value, missingMm, context, measureId) : null
    const inputs = given === null ? null : made(kind, given)
    if (inputs === null || !kind.schema.safeParse(inputs).success || !applyOrRefuse(kind, garment, inputs, context).ok) continue
    return { kind, inputs }
  }
  return null
}
