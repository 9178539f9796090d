import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { distance, measureLength } from '../../geometry'
import { edgePath, grainDirection, shapeOf, type Garment } from '../../pattern'
import { garmentOf, polygonPiece } from '../../pattern/test-pieces'
import { straightenFigures } from './apply'
import { levelWedge, type LevelWedgeInputs } from './index'
import { contextWith } from '../test-context'

const context = contextWith()

/** Worked case 9: a back with its centre at x = 0 on the fold, neck at 20, waist at 430, the side at 225. */
const back = (fold = true) =>
  garmentOf([
    polygonPiece(
      'back',
      'back',
      [
        { x: 0, y: 20 },
        { x: 80, y: 0 },
        { x: 190, y: 40 },
        { x: 225, y: 200 },
        { x: 225, y: 430 },
        { x: 0, y: 430 },
      ],
      ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre-back'],
      fold ? { fold: 5 } : {},
    ),
  ])
const inputs: LevelWedgeInputs = {
  pieceId: 'back',
  edgeId: 'e5',
  belowMm: 280,
  hingeEdgeId: 'e3',
  hingeBelowMm: 100,
  amountMm: -22,
  straighten: 'lower',
}
function apply(garment: Garment, over: Partial<LevelWedgeInputs> = {}) {
  const result = levelWedge.apply(garment, { ...inputs, ...over }, context)
  if (!result.ok) throw new Error(`${result.problem.where}: ${result.problem.message}`)
  return result.value
}
const shapeAfter = (garment: Garment) => shapeOf(garment.pieces[0]!, 'one')
const mm = (garment: Garment, id: string) => measureLength(edgePath(shapeAfter(garment), id))

describe('level a wedge', () => {
  it('worked case 9: takes about 11.6 at the waist, and keeps the side', () => {
    const garment = back()
    const { garment: after, cautions } = apply(garment)
    expect(Math.abs(mm(after, 'e3') - 230)).toBeLessThan(0.05)
    // Ruled on from above the centre stays at x = 0; the waist beyond it is cut off.
    const centre = edgePath(shapeAfter(after), 'e5')
    expect(centre).toHaveLength(1)
    expect(Math.abs(centre[0]!.from.x)).toBeLessThan(1e-6)
    const lost = mm(garment, 'e4') - mm(after, 'e4')
    expect(lost).toBeGreaterThan(11.6)
    expect(lost).toBeLessThan(11.75)
    expect(cautions.find((c) => c.code === 'straightened')!.message).toMatch(/takes \{mm 11\.6/)
    // The other ways give or take elsewhere: they are offered side by side.
    const ways = levelWedge.choices!(garment, inputs, context)
    expect(ways.map((w) => w.inputs.straighten)).toEqual(['lower', 'upper', 'between'])
    const between = apply(garment, ways[2]!.inputs)
    expect(between.cautions.find((c) => c.code === 'straightened')!.message).toContain('ruled from end to end')
  })
  it('ruled from below it is the neck that gives or takes', () => {
    const garment = back()
    const { garment: after } = apply(garment, { straighten: 'upper' })
    expect(mm(after, 'e4')).toBeCloseTo(225, 6)
    expect(mm(after, 'e0')).not.toBeCloseTo(mm(garment, 'e0'), 0)
    expect(grainDirection(shapeAfter(after))).toEqual(grainDirection(shapeAfter(garment)))
  })
  it('ruled from end to end both neighbours keep their lengths, and the grain lies along the fold', () => {
    const garment = back()
    const { garment: after, held } = apply(garment, { straighten: 'between' })
    for (const id of ['e0', 'e4']) expect(mm(after, id)).toBeCloseTo(mm(garment, id), 6)
    expect(held.find((h) => h.label.startsWith('grain to'))).toMatchObject({ held: true })
    const centre = edgePath(shapeAfter(after), 'e5')[0]!
    const grain = grainDirection(shapeAfter(after))
    const along = {
      x: (centre.from.x - centre.to.x) / distance(centre.from, centre.to),
      y: (centre.from.y - centre.to.y) / distance(centre.from, centre.to),
    }
    expect(Math.abs(grain.x * along.y - grain.y * along.x)).toBeLessThan(1e-9)
  })
  it('holds on generated backs: wedge as wide as asked, side and armhole to 0.05 mm, figures as measured', () => {
    const cases = fc.record({
      amountMm: fc.integer({ min: -30, max: 30 }).filter((a) => a !== 0),
      belowMm: fc.integer({ min: 80, max: 360 }),
      hingeBelowMm: fc.integer({ min: 20, max: 200 }),
      straighten: fc.constantFrom('lower' as const, 'upper' as const, 'between' as const),
      fold: fc.boolean(),
    })
    fc.assert(
      fc.property(cases, ({ fold, ...over }) => {
        const garment = back(fold)
        const { garment: after, held } = apply(garment, over)
        expect(
          held
            .filter((h) => !h.held)
            .map((h) => `${h.label} ${h.before} ${h.after}`)
            .join(),
        ).toBe('')
        expect(Math.abs(mm(after, 'e3') - mm(garment, 'e3'))).toBeLessThan(0.05)
        expect(mm(after, 'e2')).toBeCloseTo(mm(garment, 'e2'), 6)
        const said = straightenFigures(garment, { ...inputs, ...over }, 'one').find((f) => f.straighten === over.straighten)!
        expect(said.lower.mm).toBeCloseTo(mm(after, 'e4') - mm(garment, 'e4'), 6)
        expect(said.upper.mm).toBeCloseTo(mm(after, 'e0') - mm(garment, 'e0'), 6)
      }),
    )
  })
  it('refuses a wedge below the end of its edge, and one wider than the piece with the largest that works', () => {
    const below = levelWedge.apply(back(), { ...inputs, belowMm: 900 }, context)
    expect(!below.ok && below.problem.code).toBe('slash-beside-edge')
    const wide = levelWedge.apply(back(), { ...inputs, amountMm: -900 }, context)
    expect(!wide.ok && wide.problem.largestMm).toBeLessThan(0)
  })
})
