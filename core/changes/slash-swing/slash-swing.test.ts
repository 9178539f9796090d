import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftQuayDress } from '../../../demo/quay-dress'
import { cubic, distance, line, measureArea, measureLength, placeAt, type Path, type Point } from '../../geometry'
import { checkGarment, edgePath, outlineOf, shapeOf, type Garment, type Piece } from '../../pattern'
import { garmentOf, polygonPiece } from '../../pattern/test-pieces'
import { fromRecipe, SlashRecipeSchema, toRecipe, type SlashSwingInputs } from './index'
import { slashSwing } from './index'
import { contextWith } from '../test-context'

const context = contextWith()

/** Pieces of five to nine corners round a middle, some edges bulging or hollow, a notch on every edge, lines and a point inside. */
const pieces = fc
  .record({
    radii: fc.array(fc.integer({ min: 120, max: 320 }), { minLength: 5, maxLength: 9 }),
    bulges: fc.array(fc.integer({ min: -30, max: 40 }), { minLength: 9, maxLength: 9 }),
    share: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
  })
  .map(({ radii, bulges, share }): Piece => {
    const n = radii.length
    const at = (i: number, r: number): Point => ({
      x: 400 + r * Math.cos((2 * Math.PI * i) / n),
      y: 400 + r * Math.sin((2 * Math.PI * i) / n),
    })
    const piece = polygonPiece(
      'piece',
      'other',
      radii.map((r, i) => at(i, r)),
      radii.map(() => 'other' as const),
    )
    const shape = piece.shapes.one!
    const edges = Object.fromEntries(
      Object.entries(shape.edges).map(([id, path], i): [string, Path] => {
        const { from, to } = path[0]!
        const bulge = bulges[i]!
        if (Math.abs(bulge) < 5) return [id, path]
        const out = { x: ((to.y - from.y) / distance(from, to)) * bulge, y: (-(to.x - from.x) / distance(from, to)) * bulge }
        const third = (t: number) => ({ x: from.x + (to.x - from.x) * t + out.x, y: from.y + (to.y - from.y) * t + out.y })
        return [id, [cubic(from, third(1 / 3), third(2 / 3), to)]]
      }),
    )
    return {
      ...piece,
      notches: piece.edges.map((e) => ({ id: `n-${e.id}`, name: e.id, edgeId: e.id })),
      lines: [{ id: 'inner', name: 'inner line', role: 'other' }],
      points: [{ id: 'mark', name: 'mark', role: 'other' }],
      shapes: {
        one: {
          ...shape,
          edges,
          notches: Object.fromEntries(
            piece.edges.map((e) => [`n-${e.id}`, { from: 'start', distanceMm: measureLength(edges[e.id]!) * share }]),
          ),
          lines: { inner: [line({ x: 370, y: 380 }, { x: 440, y: 420 })] },
          points: { mark: { x: 410, y: 395 } },
        },
      },
    }
  })
  .filter((p) => checkGarment(garmentOf([p])) === null)

const cases = fc.record({
  piece: pieces,
  from: fc.tuple(fc.nat(), fc.double({ min: 0, max: 1, noNaN: true })),
  hinge: fc.tuple(fc.nat(), fc.double({ min: 0, max: 1, noNaN: true })),
  amountMm: fc.integer({ min: -90, max: 120 }).filter((mm) => mm !== 0),
  swings: fc.constantFrom('far' as const, 'near' as const),
})

function inputsOf(piece: Piece, from: [number, number], hinge: [number, number]): Omit<SlashSwingInputs, 'amountMm' | 'swings'> {
  const edge = (i: number) => piece.edges[i % piece.edges.length]!.id
  const along = (id: string, share: number) => measureLength(edgePath(shapeOf(piece, 'one'), id)) * share
  return {
    pieceId: piece.id,
    fromEdgeId: edge(from[0]),
    fromMm: along(edge(from[0]), from[1]),
    hingeEdgeId: edge(hinge[0]),
    hingeMm: along(edge(hinge[0]), hinge[1]),
  }
}

const finite = (garment: Garment) => !/null|NaN/.test(JSON.stringify(garment.pieces.map((p) => p.shapes)))

describe('slash and swing, freely', () => {
  it('on a thousand generated pieces leaves no invalid outline, no lost notch, no NaN, or refuses by name', () => {
    let applied = 0
    fc.assert(
      fc.property(cases, ({ piece, from, hinge, amountMm, swings }) => {
        const garment = garmentOf([piece])
        const result = slashSwing.apply(garment, { ...inputsOf(piece, from, hinge), amountMm, swings }, context)
        if (!result.ok) {
          expect(result.problem.code).toMatch(/amount-too-large|slash-|no-room/)
          expect(result.problem.message + result.problem.remedy).not.toMatch(/NaN|undefined/)
          return
        }
        applied += 1
        const after = result.value.garment
        expect(checkGarment(after)).toBeNull()
        expect(finite(after)).toBe(true)
        const shape = shapeOf(after.pieces[0]!, 'one')
        for (const notch of piece.notches) {
          const place = shape.notches[notch.id]!
          expect(place.distanceMm).toBeLessThanOrEqual(measureLength(edgePath(shape, notch.edgeId)) + 1e-6)
        }
        expect(
          result.value.held
            .filter((h) => !h.held)
            .map((h) => `${h.label} ${h.before} ${h.after}`)
            .join(),
        ).toBe('')
      }),
      { numRuns: 1000 },
    )
    // A test that everything is refused in would prove nothing.
    expect(applied).toBeGreaterThan(300)
  })

  it('opened and closed again about the same hinge, every corner returns to 0.01 mm', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -40, max: 80 }).filter((a) => a !== 0),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        (amountMm, share) => {
          const piece = polygonPiece(
            'p',
            'other',
            [
              { x: 0, y: 0 },
              { x: 300, y: 0 },
              { x: 340, y: 400 },
              { x: -40, y: 400 },
            ],
            ['other', 'other', 'other', 'centre-front'],
          )
          const inputs = { pieceId: 'p', fromEdgeId: 'e2', fromMm: 380 * share, hingeEdgeId: 'e0', hingeMm: 150, swings: 'far' as const }
          const once = slashSwing.apply(garmentOf([piece]), { ...inputs, amountMm }, context)
          if (!once.ok) throw new Error(once.problem.message)
          const now = shapeOf(once.value.garment.pieces[0]!, 'one')
          const was = shapeOf(piece, 'one')
          // Back by the same angle: on the redrawn edge the cut is begun where its still side lay, so the reach is the same.
          const hinge = placeAt(edgePath(was, 'e0'), 150).point
          const mouth = placeAt(edgePath(was, 'e2'), inputs.fromMm).point
          const reach = distance(hinge, mouth)
          const rad = 2 * Math.asin(amountMm / (2 * reach))
          const cut = edgePath(now, 'e2')
          const fromMm = measureLength(cut) / 2
          const there = distance(placeAt(cut, fromMm).point, placeAt(edgePath(now, 'e0'), 150).point)
          const back = slashSwing.apply(once.value.garment, { ...inputs, fromMm, amountMm: -2 * there * Math.sin(rad / 2) }, context)
          if (!back.ok) throw new Error(back.problem.message)
          const again = shapeOf(back.value.garment.pieces[0]!, 'one')
          for (const e of piece.edges) expect(distance(edgePath(again, e.id)[0]!.from, edgePath(was, e.id)[0]!.from)).toBeLessThan(0.01)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('grows the area by the wedge that opened, on a straight-edged piece', () => {
    const piece = polygonPiece(
      'p',
      'other',
      [
        { x: 0, y: 0 },
        { x: 300, y: 0 },
        { x: 300, y: 400 },
        { x: 0, y: 400 },
      ],
      ['other', 'other', 'other', 'other'],
    )
    const area = (g: Garment) => measureArea(outlineOf(g.pieces[0]!, shapeOf(g.pieces[0]!, 'one')))
    const garment = garmentOf([piece])
    const inputs = { pieceId: 'p', fromEdgeId: 'e2', fromMm: 150, hingeEdgeId: 'e0', hingeMm: 150, swings: 'far' as const, amountMm: 40 }
    const result = slashSwing.apply(garment, inputs, context)
    if (!result.ok) throw new Error(result.problem.message)
    // Redrawn straight from corner to corner the hem gives less than the wedge: the triangle of its two corners and the bend.
    const is = shapeOf(result.value.garment.pieces[0]!, 'one')
    const [right, left] = [edgePath(is, 'e2')[0]!.from, edgePath(is, 'e3')[0]!.from]
    const rad = 2 * Math.asin(40 / 800)
    const wedge = (400 * 400 * Math.sin(rad)) / 2
    const reach = Math.hypot(150, 400)
    const bend = 2 * Math.atan2(150, 400) + rad
    const corners = (reach * reach * Math.sin(bend)) / 2
    const parts = 2 * ((150 * 400) / 2)
    expect(distance(right, left)).toBeCloseTo(2 * reach * Math.sin(bend / 2), 6)
    // The rounded hinge takes a sliver.
    expect(Math.abs(area(result.value.garment) - (area(garment) - 2 * parts + corners + parts))).toBeLessThan(wedge * 0.02 + 60)
  })
})

describe('a slash with a name', () => {
  const blouse = draftBlouse()
  const begun = slashSwing.begin(blouse, context)
  if (!begun.ok) throw new Error(begun.problem.message)
  const inputs = { ...begun.value, amountMm: 25 } as SlashSwingInputs

  it('comes back on its own garment where it was', () => {
    const recipe = toRecipe(blouse, inputs, '  swing of the hem ', 'r1')
    if (!recipe.ok) throw new Error(recipe.problem.message)
    expect(SlashRecipeSchema.parse(JSON.parse(JSON.stringify(recipe.value)))).toEqual(recipe.value)
    expect(recipe.value.name).toBe('swing of the hem')
    const back = fromRecipe(blouse, recipe.value)
    if (!back.ok) throw new Error(back.problem.message)
    expect(back.value).toEqual({ ...inputs, fromMm: expect.closeTo(inputs.fromMm, 6), hingeMm: expect.closeTo(inputs.hingeMm, 6) })
  })
  it('finds its place on another garment by what the edges are, or says why not', () => {
    const recipe = toRecipe(blouse, inputs, 'flare', 'r1')
    if (!recipe.ok) throw new Error(recipe.problem.message)
    const skirt = fromRecipe(draftQuayDress(), { ...recipe.value, fromRole: 'hem', hingeRole: 'waist', pieceKind: 'skirt-front' })
    expect(skirt.ok && skirt.value.pieceId).toBe('skirt-front')
    const none = fromRecipe(draftQuayDress(), { ...recipe.value, fromRole: 'leg-opening', hingeRole: 'crotch' })
    expect(!none.ok && none.problem.code).toBe('no-place')
  })
})
