import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftSlantedDart } from '../../../demo/dart-blouses'
import { distance, subtract, turnRad } from '../../geometry'
import { dartFigures, mapShapes } from '../../pattern'
import { apply, context, DART, figures, front, shape } from '../shared/darts/test-darts'
import { straightenDart } from '.'

const DEG = 180 / Math.PI

describe('straighten a dart', () => {
  const exact = { dart: DART, way: 'exact' as const, lowerMm: 0, tipBackMm: 38, trued: true }
  it('lays the middle line on the cross-grain, exactly; half the intake by the ruler misses, and says by how much', () => {
    for (const garment of [draftSlantedDart(), draftBlouse()]) {
      const done = apply(straightenDart, garment, exact)
      const d = figures(done.garment)
      // The grain of these fronts runs along y: the middle of the mouth is as high as the apex, and the tip between them.
      const apex = shape(done.garment).points.apex!
      const middle = { x: (d.first.x + d.second.x) / 2, y: (d.first.y + d.second.y) / 2 }
      expect(Math.abs(turnRad({ x: 1, y: 0 }, subtract(middle, apex))) * DEG).toBeLessThan(0.01)
      expect(Math.abs(d.tip.y - apex.y)).toBeLessThan(0.01)
      expect(distance(d.tip, apex)).toBeCloseTo(38, 6)
      expect(Math.abs(d.firstMm - d.secondMm)).toBeLessThan(0.01)
      const ruler = apply(straightenDart, garment, { ...exact, way: 'ruler' })
      const missed = ruler.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(Number(/lies ([\d.]+) degrees/.exec(missed.message)![1])).toBeGreaterThan(0.01)
      expect(missed.mend!.inputs).toEqual(exact)
    }
  })
  it('goes lower where the cross-grain runs into the armhole, and says so', () => {
    // The apex as high as the hollow of the armhole, or just below it so that only the upper leg runs into it.
    for (const y of [240, 252, 264]) {
      const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y } } }))
      const done = straightenDart.apply(garment, exact, context)
      if (!done.ok) throw new Error(done.problem.message)
      const said = done.value.cautions.find((c) => c.code === 'off-cross-grain')!
      expect(said.message).toContain('runs into the armhole, so the dart lies lower')
      const piece = front(done.value.garment)
      expect(dartFigures(piece, shape(done.value.garment), piece.darts[0]!).before.role).toBe('side')
      expect(done.value.cautions.map((c) => c.code)).not.toContain('near-armhole')
      // What cannot be straight is not promised to be; the mark lies far off the dart's line, so the side differs, and says so.
      expect(done.value.held.filter((h) => !h.held).map((h) => h.label)).toEqual(['side seam, difference of its sides'])
    }
  })
  it('says when an end comes near the armhole, and lowers it at a click', () => {
    // The apex little below the armhole.
    const garment = mapShapes(draftBlouse(), 'front', (_, s) => ({ ...s, points: { apex: { x: 98, y: 295 } } }))
    const near = apply(straightenDart, garment, exact)
    const mend = near.cautions.find((c) => c.code === 'near-armhole')!.mend!
    const lower = apply(straightenDart, garment, mend.inputs as typeof exact)
    expect(figures(lower.garment).first.y).toBeGreaterThan(figures(near.garment).first.y)
  })
  it('lies lower by what was asked, keeps its angle, and is then not promised to be straight', () => {
    const garment = draftSlantedDart()
    const [level, lower] = [apply(straightenDart, garment, exact), apply(straightenDart, garment, { ...exact, lowerMm: 20 })]
    const apex = shape(garment).points.apex!
    const angle = (g: typeof garment) => turnRad(subtract(figures(g).first, apex), subtract(figures(g).second, apex)) * DEG
    expect(Math.abs(angle(lower.garment)) - Math.abs(angle(level.garment))).toBeCloseTo(0, 3)
    expect(figures(lower.garment).first.y - figures(level.garment).first.y).toBeGreaterThan(15)
    const promised = (done: typeof level) => done.held.some((h) => h.label === 'middle line to the cross-grain')
    expect([promised(level), promised(lower)]).toEqual([true, false])
    expect(lower.cautions.find((c) => c.code === 'off-cross-grain')!.message).toContain('it was lowered by')
  })
  it('does not begin on a garment whose darts all lie away from a side, and says for what it is', () => {
    const sideless = draftBlouse()
    const begun = straightenDart.begin({ ...sideless, pieces: sideless.pieces.filter((p) => p.kind === 'sleeve') }, context)
    expect(!begun.ok && begun.problem.code).toBe('no-dart')
  })
})
