import { describe, expect, it } from 'vitest'
import { armholeFigures, begunOn, contextFor, DEMO, done, isSleeved, tried } from '../../../demo/test-kinds'
import { add, countInflections, cubic, measureLength, mix, placeAt, reversePath, subtract, turnRad, type Path } from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { edgePath, mapShapes, shapeOf, type Garment } from '../../pattern'
import { HALVES } from '../../seams'
import { DEG } from '../../units'
import { shoulderEnds } from '../shared/find-shoulders'
import { shoulderWidth } from './index'
import { wayFor } from './proposes'

const AMOUNTS = [-22, -9, 7, 18]

/** Every armhole below a shoulder, walked from the tip, and the seam above it. */
const endsOf = (garment: Garment, sizeId: string): { where: string; shoulder: Path; armhole: Path }[] =>
  garment.pieces.flatMap((piece) =>
    shoulderEnds(piece).map((end) => {
      const shape = shapeOf(piece, sizeId)
      const way = (path: Path) => (end.reversed ? reversePath(path) : path)
      return {
        where: `${piece.name} in ${sizeId}`,
        shoulder: way(edgePath(shape, end.shoulder.id)),
        armhole: way(edgePath(shape, end.armhole[0]!.id)),
      }
    }),
  )

const across = (path: Path) => subtract(path[path.length - 1]!.to, path[0]!.from)

describe('a shoulder made longer or shorter along its own line', () => {
  it.each(begunOn(shoulderWidth))(
    '%s: by what was asked, at its slope, the armhole as smooth as it was, in every size',
    (_, garment, begun) => {
      for (const amountMm of AMOUNTS) {
        const applied = tried(shoulderWidth, garment, { ...begun, amountMm, armhole: 'redrawn' })
        if (!applied) continue
        for (const { id: sizeId } of garment.sizes) {
          const before = endsOf(garment, sizeId)
          for (const [i, now] of endsOf(applied.garment, sizeId).entries()) {
            const { where, ...was } = before[i]!
            expect(measureLength(now.shoulder) - measureLength(was.shoulder), where).toBeCloseTo(amountMm, 3)
            expect(Math.abs(turnRad(across(was.shoulder), across(now.shoulder))) * DEG, where).toBeLessThan(0.01)
            expect(countInflections(now.armhole), `${where} by ${amountMm}`).toBeLessThanOrEqual(countInflections(was.armhole))
            for (let mm = 5; mm < measureLength(now.armhole) - 5; mm += 3) {
              const turn = turnRad(placeAt(now.armhole, mm - 0.01).tangent, placeAt(now.armhole, mm + 0.01).tangent) * DEG
              expect(Math.abs(turn), `${where}, ${mm} down`).toBeLessThan(1)
            }
          }
        }
      }
    },
  )
  it.each(begunOn(shoulderWidth, isSleeved))(
    '%s: front and back cap keep their ease, and no corner is turned across the shoulder',
    (_, garment, begun) => {
      const corners = (g: Garment) => new Map(cornersAsSewn(walkGarment(g, g.baseSizeId)).map((c) => [c.id, c.turnDeg]))
      const was = corners(garment)
      for (const amountMm of AMOUNTS) {
        const { garment: after } = done(shoulderWidth, garment, { ...begun, amountMm, armhole: 'redrawn' })
        for (const { id } of garment.sizes)
          for (const half of HALVES)
            expect(
              Math.abs(armholeFigures(after, id).ease[half] - armholeFigures(garment, id).ease[half]),
              `${half} in ${id}`,
            ).toBeLessThan(0.3)
        for (const [id, deg] of corners(after)) expect(Math.abs(deg - was.get(id)!), `${id} by ${amountMm}`).toBeLessThan(3)
      }
    },
  )
  it('a seam that is curved stays on its own curve, and runs on straight from its end', () => {
    const [, garment, begun] = begunOn(shoulderWidth, isSleeved)[0]!
    const bowed = garment.pieces.reduce(
      (all, { id }) =>
        mapShapes(all, id, (piece, shape) => ({
          ...shape,
          edges: {
            ...shape.edges,
            ...Object.fromEntries(
              shoulderEnds(piece).map(({ shoulder }) => {
                const [a, b] = [edgePath(shape, shoulder.id)[0]!.from, edgePath(shape, shoulder.id).at(-1)!.to]
                const off = { x: 0, y: 5 }
                return [shoulder.id, [cubic(a, add(mix(a, b, 1 / 3), off), add(mix(a, b, 2 / 3), off), b)]]
              }),
            ),
          },
        })),
      garment,
    )
    for (const amountMm of [-14, 12]) done(shoulderWidth, bowed, { ...begun, amountMm, armhole: 'redrawn' })
  })
  it('a seam that has not got so much is refused with the most that works, and that works', () => {
    const [name, garment, begun] = begunOn(shoulderWidth, isSleeved)[0]!
    const inputs = { ...begun, amountMm: -400, armhole: 'redrawn' as const }
    const refused = shoulderWidth.apply(garment, inputs, contextFor(garment))
    if (refused.ok) throw new Error(`${name} gave 400 mm`)
    expect(refused.problem).toMatchObject({
      code: 'amount-too-large',
      remedy: expect.stringMatching(/^Here the shoulder can be .* shorter at most\.$/),
    })
    expect(refused.problem.largestMm).toBeLessThan(-20)
    done(shoulderWidth, garment, { ...inputs, amountMm: refused.problem.largestMm! })
  })
  it('paper steps tell what to rule and what the armhole measures then', () => {
    const [, garment, begun] = begunOn(shoulderWidth, isSleeved)[0]!
    const inputs = { ...begun, amountMm: 12, armhole: 'redrawn' as const }
    const context = contextFor(garment)
    const applied = done(shoulderWidth, garment, inputs)
    const steps = shoulderWidth.paperSteps({ before: garment, inputs, applied, context, ruler: 'cm' })
    const { cap } = armholeFigures(applied.garment, garment.baseSizeId)
    expect(steps).toHaveLength(3)
    for (const step of steps.slice(0, 2))
      expect(step.text).toMatch(/on by 1\.2 cm along its own line.*It measures [\d.]+ cm \(was [\d.]+ cm\)\./)
    expect(steps[2]!.text).toContain(`${(Math.round(cap.front) / 10).toFixed(1)} cm in front`)
  })
})

describe('which way a plan takes', () => {
  it('a little is swung, so that the sleeve stays; more is redrawn', () => {
    const [, garment, begun] = begunOn(shoulderWidth, isSleeved)[0]!
    expect(wayFor(garment, begun, 3, contextFor(garment)).armhole).toBe('kept')
    expect(wayFor(garment, begun, -14, contextFor(garment)).armhole).toBe('redrawn')
  })
  it('of every garment of the demo that has shoulders one way works', () => {
    const ways = DEMO.flatMap(([, garment]) => {
      const begun = shoulderWidth.begin(garment, contextFor(garment))
      return begun.ok ? [done(shoulderWidth, garment, wayFor(garment, begun.value, 9, contextFor(garment)))] : []
    })
    expect(ways.length).toBeGreaterThan(4)
  })
})
