import { describe, expect, it } from 'vitest'
import { bodyLengths, type LengthRow } from '../../size'
import { DEMO, done } from '../../../demo/test-kinds'
import { bodyWith } from '../test-context'
import { ONE_LINE_MM } from '../../tolerances'
import { lengthen } from './index'
import { lengthAtLines } from './gives-length'

/** Lengths of the back and of the legs, as a plan asks for them. */
const asked = (garment: (typeof DEMO)[number][1]): LengthRow[] => {
  const rows = bodyLengths(garment, null)
  // A neckline that lies low on the back is as it was designed, whatever the body measures.
  const body = bodyWith(Object.fromEntries(rows.map((r) => [r.id, r.garmentMm])))
  const isMet = new Set(bodyLengths(garment, body).flatMap((r) => (r.missingMm === null ? [] : [r.id])))
  return rows.filter((r) => isMet.has(r.id) && lengthAtLines(garment, { ...r, missingMm: 10 }) !== null)
}
const CASES = DEMO.flatMap(([name, garment]) => asked(garment).map((row) => [name, row.name, garment, row] as const))

describe('a length of the body', () => {
  it('is asked for on every garment with a waist', () => expect(new Set(CASES.map((c) => c[0])).size).toBeGreaterThan(9))

  it.each(CASES)('%s, %s: comes where no dart is cut, and becomes what was missing', (_name, _row, garment, row) => {
    for (const missingMm of [8, -8, 22, -22]) {
      const inputs = lengthAtLines(garment, { ...row, missingMm })!
      expect(inputs.levels).toHaveLength(1)
      const applied = done(lengthen, garment, inputs)
      expect(applied.cautions.map((c) => c.code)).not.toContain('line-through-dart')
      const now = bodyLengths(applied.garment, null).find((r) => r.id === row.id)!
      expect(now.garmentMm - row.garmentMm).toBeCloseTo(missingMm, 1)
    }
  })

  it.each(CASES)('%s, %s: a lot of it is shared where there is room, and the length is the same', (_name, _row, garment, row) => {
    for (const missingMm of [ONE_LINE_MM + 12, -ONE_LINE_MM - 12]) {
      const inputs = lengthAtLines(garment, { ...row, missingMm })!
      const applied = done(lengthen, garment, inputs)
      expect(applied.cautions.map((c) => c.code)).not.toContain('line-through-dart')
      const now = bodyLengths(applied.garment, null)
      expect(now.find((r) => r.id === row.id)!.garmentMm - row.garmentMm).toBeCloseTo(missingMm, 1)
      // What is put in for the knee leaves the hip where it is on the body.
      if (row.to !== 'knee') continue
      const hip = (rows: readonly LengthRow[]) => rows.find((r) => r.id === 'waist-to-hip')?.garmentMm
      expect(hip(now)).toBeCloseTo(hip(bodyLengths(garment, null))!, 1)
      expect(inputs.levels).toHaveLength(2)
    }
  })
})
