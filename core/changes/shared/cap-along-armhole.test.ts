import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { DEMO } from '../../../demo/test-kinds'
import { sleeved } from '../../../demo/test-garments'
import { measureLength, norm, placeAt, subtract, type Path, type Point } from '../../geometry'
import { armholesWithSleeve, measureArmhole } from '../../seams'
import type { Garment } from '../../pattern'
import { capAlongArmhole } from './cap-along-armhole'

const SEWN = DEMO.filter(([, g]) => armholesWithSleeve(g).ok)

/** What the picture says and draws against what is measured of the pair by itself. */
function expectTrue(garment: Garment) {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) throw new Error(pairs.problem.message)
  const { armhole, cap, ease } = measureArmhole(garment, pairs.value[0]!, garment.baseSizeId)
  const [picture] = capAlongArmhole(garment, garment.baseSizeId)
  const drawnMm = (kind: string) => picture!.strokes.filter((s) => s.kind === kind).map((s) => measureLength(s.path))
  expect(drawnMm('is')[0]).toBeCloseTo(armhole.front + armhole.back, 3)
  // Ticks are among the lines of the cap, ten millimetres each.
  const caps = drawnMm('cap').filter((mm) => Math.abs(mm - 10) > 1e-6)
  expect(caps.reduce((a, b) => a + b, 0)).toBeCloseTo(cap.front + cap.back, 3)
  const said = picture!.labels.flatMap((l) => /^ease \{mm (.*)\}$/.exec(l.text)?.[1] ?? []).map(Number)
  expect(said.reduce((a, b) => a + b, 0)).toBeCloseTo(ease.front + ease.back, 3)
  expect(picture!.labels.map((l) => l.text)).toEqual(expect.arrayContaining(['front', 'back']))
  return picture!
}

describe('the cap along the armhole', () => {
  it.each(SEWN)('%s: draws both in full, and says all of the ease', (_, garment) => {
    const { strokes } = expectTrue(garment)
    const line = strokes.find((s) => s.kind === 'is')!.path
    // Ends level, the shoulder above them.
    expect(line[0]!.from.y).toBeCloseTo(line[line.length - 1]!.to.y, 6)
    expect(Math.min(...line.map((s) => s.to.y))).toBeLessThan(line[0]!.from.y - 50)
  })
  it.each(SEWN)('%s: under the arm the cap lies on the body’s own curve', (_, garment) => {
    const { strokes } = expectTrue(garment)
    const line = strokes.find((s) => s.kind === 'is')!.path
    const [first] = strokes.filter((s) => s.kind === 'cap')
    expect(norm(subtract(first!.path[0]!.from, line[0]!.from))).toBeLessThan(1e-6)
    // Both bend to the same side there: the sleeve was laid right sides together.
    const side = (path: Path, uptoMm: number) => {
      const [a, b, middle] = [0, uptoMm, uptoMm / 2].map((mm) => placeAt(path, mm).point) as [Point, Point, Point]
      return (b.x - a.x) * (middle.y - a.y) - (b.y - a.y) * (middle.x - a.x)
    }
    const uptoMm = measureLength(first!.path)
    expect(side(first!.path, uptoMm) * side(line, uptoMm)).toBeGreaterThan(0)
  })
  it('holds over made garments, of one and two sleeve pieces, with a yoke and without', () => {
    fc.assert(
      fc.property(sleeved, (made) => {
        expectTrue(made)
      }),
      { numRuns: 25, seed: 5 },
    )
  })
  it('is not drawn where no sleeve is sewn in', () => {
    const without = DEMO.filter(([, g]) => !armholesWithSleeve(g).ok)
    expect(without.length).toBeGreaterThan(3)
    for (const [, garment] of without) expect(capAlongArmhole(garment, garment.baseSizeId)).toEqual([])
  })
})
