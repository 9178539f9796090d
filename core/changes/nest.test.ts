import { describe, expect, it } from 'vitest'
import { contextFor, DEMO } from '../../demo/test-kinds'
import { answerAsTried, answerWish } from '../advice'
import { edgePath, findPiece, shapeOf, type Garment } from '../pattern'
import { applyOrRefuse, contextAfter, findKind, foldPlan, nestBefore, type Change } from './index'
import { stopWith } from './test-context'

/** A nest serves until the size of a body is blended from it (decision 43). */

const NESTS = DEMO.filter(([, g]) => g.sizes.length > 2)
const [, blouse] = NESTS.find(([name]) => name.includes('blouse'))!

/** The next larger size at the waist. */
function blendOf(garment: Garment): Change {
  const begun = findKind('blend')!.begin(garment, contextFor(garment))
  const next = garment.sizes[garment.sizes.findIndex((s) => s.id === garment.baseSizeId) + 1]!
  return stopWith('blend', { ...((begun.ok && begun.value) as object), waist: next.id })
}
function begun(kind: string, garment: Garment, mm: number): Change {
  const own = findKind(kind)!
  const first = own.begin(garment, contextFor(garment))
  return stopWith(kind, own.withAmount!(garment, first.ok && first.value, mm, contextFor(garment)))
}
const sizesAfter = (garment: Garment, plan: readonly Change[]) =>
  foldPlan(garment, plan, contextFor(garment)).stops.map((s) => s.garment.sizes.length)
const linesOf = (garment: Garment) =>
  garment.pieces.map((p) => p.edges.map((e) => edgePath(shapeOf(findPiece(garment, p.id)!, garment.baseSizeId), e.id)))

describe('a nest after a blend', () => {
  it.each(NESTS)('is left by the stop that follows, which alters the size that is cut as it would in the nest: %s', (_, garment) => {
    const [blend, longer] = [blendOf(garment), begun('lengthen', garment, 12)]
    const folded = foldPlan(garment, [blend, longer], contextFor(garment))
    expect(folded.stops.map((s) => s.status)).toEqual(['applied', 'applied'])
    expect(folded.stops.map((s) => s.garment.sizes.length)).toEqual([garment.sizes.length, 1])
    const inNest = applyOrRefuse(findKind('lengthen')!, folded.stops[0]!.garment, longer.inputs, contextFor(garment))
    expect(linesOf(folded.garment)).toEqual(linesOf((inNest.ok && inNest.value.garment) as Garment))
  })

  it('stays as long as a stop to come looks at it, and where nothing was blended', () => {
    const [blend, longer] = [blendOf(blouse), begun('lengthen', blouse, 12)]
    const sleeve = blouse.pieces.find((p) => p.kind === 'sleeve')!
    const other = stopWith('piece-size', { pieceId: sleeve.id, sizeId: blouse.sizes[0]!.id }, 'other')
    const all = blouse.sizes.length
    expect(sizesAfter(blouse, [blend, longer, other])).toEqual([all, all, all])
    expect(sizesAfter(blouse, [blend, longer, { ...other, on: false }])).toEqual([all, 1, 1])
    expect(sizesAfter(blouse, [{ ...blend, on: false }, longer])).toEqual([all, all])
    expect(sizesAfter(blouse, [longer, blend])).toEqual([all, all])
  })

  it('comes back for a stop that is put after it, and leaves again with that, whatever was worked out before', () => {
    const [blend, longer] = [blendOf(blouse), begun('lengthen', blouse, 12)]
    const sleeve = blouse.pieces.find((p) => p.kind === 'sleeve')!
    const other = stopWith('piece-size', { pieceId: sleeve.id, sizeId: blouse.sizes[0]!.id }, 'other')
    const context = contextFor(blouse)
    const first = foldPlan(blouse, [blend, longer], context)
    const more = foldPlan(blouse, [blend, longer, other], context, first)
    expect(more).toEqual(foldPlan(blouse, [blend, longer, other], context))
    expect(foldPlan(blouse, [blend, longer], context, more)).toEqual(first)
    // What nothing changed for is used again.
    expect(foldPlan(blouse, [blend, longer], context, first).stops).toEqual(first.stops)
    expect(foldPlan(blouse, [blend, longer], context, first).stops[1]).toBe(first.stops[1])
  })

  it('refuses nothing for the sake of a size that nobody cuts', () => {
    const [blend, narrower] = [blendOf(blouse), begun('shoulder-width', blouse, -30)]
    const folded = foldPlan(blouse, [blend, narrower], contextFor(blouse))
    const inNest = applyOrRefuse(findKind('shoulder-width')!, folded.stops[0]!.garment, narrower.inputs, contextFor(blouse))
    expect(inNest.ok).toBe(false)
    expect(folded.stops[1]!.status).toBe('applied')
  })

  it('is still there for a wish that speaks of sizes', () => {
    const folded = foldPlan(blouse, [blendOf(blouse), begun('lengthen', blouse, 12)], contextFor(blouse))
    const context = contextAfter(folded, contextFor(blouse))
    expect(context.nest?.sizes.map((s) => s.id)).toEqual(blouse.sizes.map((s) => s.id))
    expect(nestBefore([folded.base], folded.base)).toBeUndefined()
    const said = (text: string) => answerAsTried(answerWish(text, 'in', folded.garment, context), folded.garment, context).answer
    const { name } = blouse.sizes[0]!
    const answer = said(`cut the sleeve in size ${name}`)
    expect(answer).toMatchObject({ how: 'does', offer: { change: { kind: 'piece-size', inputs: { sizeId: blouse.sizes[0]!.id } } } })
    expect(said('cut the sleeve in size 99')).toMatchObject({ how: 'asks', why: expect.stringContaining('has no size 99') })
    // What speaks of no size is asked of the pieces as they are.
    expect(said('shorten the sleeve 1')).toMatchObject({ how: 'does', offer: { change: { kind: 'lengthen' } } })
  })
})
