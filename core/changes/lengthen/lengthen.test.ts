import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import { distance, measureArea, measureLength, nearestPlace, tangentAt, turnRad, type Path, type Point, alongGrain } from '../../geometry'

import { findPiece, grainDirection, outlineOf, shapeOf, type Garment, sideLength } from '../../pattern'
import { deepFreeze, garmentOf, polygonPiece, seamOf } from '../../pattern/test-pieces'
import { foldPlan } from '../fold-plan'
import { applyAtLevels } from '../shared/levels/apply'
import { openingAtHem } from '../shared/levels/cautions'
import type { LevelsInputs, Mark } from '../shared/levels/schema'
import { bodyWith, contextWith, stopWith } from '../test-context'

const context = contextWith()
const corner = (id: string): Mark => ({ by: 'corner', id })

function inputs(pieceId: string, amountMm: number, lines: [Mark, number, number?][], leftOut: string[] = []): LevelsInputs {
  return { amountMm, pieceId, leftOut, levels: lines.map(([mark, belowMm, share = 1], i) => ({ id: `l${i}`, share, mark, belowMm })) }
}

function applied(garment: Garment, change: LevelsInputs) {
  const result = applyAtLevels(garment, change, context)
  if (!result.ok) throw new Error(result.problem.message)
  return result.value
}

const edgeMm = (g: Garment, piece: string, edge: string) => measureLength(shapeOf(findPiece(g, piece)!, 'one').edges[edge]!)
const points = (path: Path): Point[] => [path[0]!.from, ...path.map((s) => s.to)]

/** Worked case 7: a tapered leg. Corners clockwise: waist at outseam, crotch, hem in, hem out. */
const leg = () =>
  polygonPiece(
    'leg',
    'leg-front',
    [
      { x: 20, y: 300 },
      { x: 300, y: 300 },
      { x: 232, y: 980 },
      { x: 68, y: 980 },
    ],
    ['waist', 'inseam', 'leg-opening', 'outseam'],
    { count: 2 },
  )

describe('worked case 7, a tapered leg', () => {
  it('+50 at lines keeps the opening and redraws the seams straight', () => {
    const garment = garmentOf([leg()])
    const { garment: after, held } = applied(
      garment,
      inputs('leg', 50, [
        [corner('c1'), 200],
        [corner('c1'), 450],
      ]),
    )
    expect(edgeMm(garment, 'leg', 'e1')).toBeCloseTo(683.392, 3)
    expect(edgeMm(garment, 'leg', 'e3')).toBeCloseTo(681.692, 3)
    expect(edgeMm(after, 'leg', 'e2')).toBeCloseTo(164, 9)
    expect(edgeMm(after, 'leg', 'e1')).toBeCloseTo(733.16, 3)
    expect(edgeMm(after, 'leg', 'e3')).toBeCloseTo(731.576, 3)
    expect(held.every((h) => h.held)).toBe(true)
    expect(shapeOf(after.pieces[0]!, 'one').edges.e1).toHaveLength(1)
  })
  it('-36 at lines gives 647.580 and 645.786', () => {
    const { garment: after } = applied(garmentOf([leg()]), inputs('leg', -36, [[corner('c1'), 300]]))
    expect(edgeMm(after, 'leg', 'e1')).toBeCloseTo(647.58, 3)
    expect(edgeMm(after, 'leg', 'e3')).toBeCloseTo(645.786, 3)
  })
  it('+50 at the hem instead would narrow the opening to 155.471, and the stop says so', () => {
    const piece = leg()
    expect(openingAtHem(piece, piece.shapes.one!, 'e2', 50)).toBeCloseTo(155.471, 3)
    const result = applyAtLevels(
      garmentOf([piece]),
      inputs('leg', 50, [[corner('c1'), 300]]),
      contextWith({ body: bodyWith({ heel: 330 }) }),
    )
    const codes = result.ok ? result.value.cautions.map((c) => c.code) : []
    expect(codes).toEqual(expect.arrayContaining(['share-two-lines', 'why-not-at-hem', 'foot-does-not-pass']))
  })
  it('speaks of the opening of the whole leg, also where one piece of it is left out', () => {
    const trousers = draftTrousers(TAPERED)
    const opening = (leftOut: string[]) => {
      const change = { ...inputs('front', 20, [[{ by: 'line', id: 'calf-shorten' }, 0]]), leftOut }
      const message = applied(trousers, change).cautions.find((c) => c.code === 'why-not-at-hem')!.message
      return /stays \{mm ([\d.]+)\}/.exec(message)![1]
    }
    const ofBoth = ['front', 'back'].reduce((sum, id) => sum + edgeMm(trousers, id, 'opening'), 0)
    expect(Number(opening(['back']))).toBeCloseTo(ofBoth, 6)
    expect(opening(['back'])).toBe(opening([]))
  })
})

/** A straight-sided front and back of any height and widths, joined at the side. */
const pair = fc.record({
  height: fc.integer({ min: 300, max: 900 }),
  top: fc.integer({ min: 120, max: 300 }),
  bottom: fc.integer({ min: 120, max: 300 }),
  back: fc.integer({ min: -20, max: 20 }),
  level: fc.integer({ min: 60, max: 240 }),
  amount: fc.integer({ min: -50, max: 120 }),
})

function pairGarment(p: { height: number; top: number; bottom: number; back: number }): Garment {
  const half = (id: 'front' | 'back', add: number) =>
    polygonPiece(
      id,
      id,
      [
        { x: 0, y: 0 },
        { x: p.top + add, y: 0 },
        { x: p.bottom + add, y: p.height },
        { x: 0, y: p.height },
      ],
      ['waist', 'side', 'hem', id === 'front' ? 'centre-front' : 'centre-back'],
      { fold: 3 },
    )
  return garmentOf([half('front', 0), half('back', p.back)], [seamOf('side', ['front', 'e1', false], ['back', 'e1', false])])
}

describe('laws on generated straight-sided pieces', () => {
  it('lengthen then shorten gives the outline back to 0.01 mm', () => {
    fc.assert(
      fc.property(pair, (p) => {
        const garment = pairGarment(p)
        const line: [Mark, number][] = [[corner('c1'), p.level]]
        const there = applied(garment, inputs('front', Math.abs(p.amount) + 1, line)).garment
        const back = applied(there, inputs('front', -Math.abs(p.amount) - 1, line)).garment
        return garment.pieces.every((piece, i) =>
          points(outlineOf(piece, piece.shapes.one!)).every(
            (q, k) => distance(q, points(outlineOf(back.pieces[i]!, back.pieces[i]!.shapes.one!))[k]!) < 0.01,
          ),
        )
      }),
      { numRuns: 150 },
    )
  })
  it('the area grows by amount times width where the sides are upright', () => {
    fc.assert(
      fc.property(pair, (p) => {
        const garment = pairGarment({ ...p, bottom: p.top })
        const after = applied(garment, inputs('front', p.amount, [[corner('c1'), p.level]])).garment
        return garment.pieces.every((piece, i) => {
          const width = p.top + (piece.id === 'back' ? p.back : 0)
          const grown =
            measureArea(outlineOf(after.pieces[i]!, after.pieces[i]!.shapes.one!)) - measureArea(outlineOf(piece, piece.shapes.one!))
          return Math.abs(grown - p.amount * width) < 1e-6
        })
      }),
      { numRuns: 150 },
    )
  })
  it('nothing above the level moves, everything below moves by exactly the amount, partners stay equal', () => {
    fc.assert(
      fc.property(pair, (p) => {
        const garment = deepFreeze(pairGarment(p))
        const { garment: after, held } = applied(garment, inputs('front', p.amount, [[corner('c1'), p.level]]))
        const seam = garment.seams[0]!
        return (
          held.every((h) => h.held) &&
          Math.abs(sideLength(after, seam, 0, 'one') - sideLength(after, seam, 1, 'one')) < 0.5 &&
          garment.pieces.every((piece, i) =>
            points(outlineOf(piece, piece.shapes.one!)).every((q, k) => {
              const now = points(outlineOf(after.pieces[i]!, after.pieces[i]!.shapes.one!))[k]!
              return q.y === 0 ? distance(q, now) === 0 : Math.abs(now.y - q.y - p.amount) < 1e-9 && Math.abs(now.x - q.x) < 1e-9
            }),
          )
        )
      }),
      { numRuns: 150 },
    )
  })
  it('works along any direction of the grain', () => {
    const piece = leg()
    piece.shapes.one!.grain = { from: { x: 40, y: 420 }, to: { x: 260, y: 420 } }
    const after = applied(garmentOf([piece]), inputs('leg', 20, [[corner('c0'), 100]])).garment
    const was = shapeOf(piece, 'one').edges.e1![0]!
    const is = shapeOf(after.pieces[0]!, 'one').edges.e1![0]!
    expect(is.from.x - was.from.x).toBeCloseTo(20, 9)
    expect(is.from.y).toBeCloseTo(was.from.y, 9)
  })
})

describe('the demo blouse, curved sides', () => {
  const garment = deepFreeze(draftBlouse())
  const change = inputs('front', -34.925, [[{ by: 'line', id: 'shorten' }, 0]])
  const result = applied(garment, change)

  it('changes the back with the front, and neither sleeve nor neckband', () => {
    expect(result.touched.map((t) => [t.pieceId, t.how])).toEqual([
      ['front', 'asked'],
      ['back', 'partner'],
    ])
    expect(findPiece(result.garment, 'sleeve')).toBe(findPiece(garment, 'sleeve'))
  })
  it('holds everything it promises, both figures measured', () => {
    expect(result.held.length).toBeGreaterThan(12)
    expect(result.held.filter((h) => !h.held)).toEqual([])
    const armhole = result.held.find((h) => h.label === 'armhole, length' && h.where === 'Front')!
    expect(armhole.before).toBeCloseTo(edgeMm(garment, 'front', 'armhole'), 9)
    expect(armhole.after).toBeCloseTo(edgeMm(result.garment, 'front', 'armhole'), 9)
  })
  it('redraws the crossed curves without a turn over 1 degree, between the two sides of the jog', () => {
    for (const [piece, edge] of [
      ['front', 'side-lower'],
      ['back', 'side'],
    ] as const) {
      const before = shapeOf(findPiece(garment, piece)!, 'one').edges[edge]!
      const after = shapeOf(findPiece(result.garment, piece)!, 'one').edges[edge]!
      after.forEach(
        (s, i) => i > 0 && expect(Math.abs(turnRad(tangentAt(after[i - 1]!, 1), tangentAt(s, 0))) * (180 / Math.PI)).toBeLessThan(1),
      )
      // Both sides of the jog: the line as it was, and the same line moved by the amount. x never leaves their range.
      const xs = points(before).map((p) => p.x)
      for (const p of points(after)) {
        expect(p.x).toBeGreaterThan(Math.min(...xs) - 8)
        expect(p.x).toBeLessThan(Math.max(...xs) + 0.05)
      }
      const ends = [after[0]!, after[after.length - 1]!]
      expect(Math.abs(turnRad(tangentAt(before[0]!, 0), tangentAt(ends[0]!, 0)))).toBeLessThan(1e-3)
      expect(Math.abs(turnRad(tangentAt(before[before.length - 1]!, 1), tangentAt(ends[1]!, 1)))).toBeLessThan(1e-3)
    }
  })
  it('keeps each notch with the paper it lies on', () => {
    const hemToWaist = (g: Garment) => {
      const place = shapeOf(findPiece(g, 'back')!, 'one').notches.waist!
      const total = edgeMm(g, 'back', 'side')
      return place.from === 'end' ? place.distanceMm : total - place.distanceMm
    }
    expect(hemToWaist(result.garment)).toBeCloseTo(hemToWaist(garment), 6)
  })
  it('finds the level on the back by walking the side seam, not by copying its height', () => {
    const [front, back] = result.touched.map((t) => t.levels[0]!.line.from.y)
    // The front is longer by its dart, so the same place of the seam lies higher on the back.
    expect(front! - back!).toBeGreaterThan(10)
  })
  it('names a partner that was left out, and offers to change it too', () => {
    const alone = applied(garment, { ...change, leftOut: ['back'] })
    expect(alone.leftOut).toMatchObject([{ pieceId: 'back', seamName: 'side seam' }])
    const caution = alone.cautions.find((c) => c.code === 'partner-left-out')!
    expect((caution.mend!.inputs as LevelsInputs).leftOut).toEqual([])
    expect(alone.held.some((h) => h.label.startsWith('side seam') && !h.held)).toBe(true)
  })
  it('warns of a line through a dart', () => {
    const { cautions } = applied(garment, inputs('front', 10, [[corner('at-dart-upper'), 4]]))
    expect(cautions.map((c) => c.code)).toContain('line-through-dart')
  })
  it('lengthens the sleeve by itself', () => {
    const { touched, garment: after } = applied(garment, inputs('sleeve', 25, [[{ by: 'line', id: 'shorten' }, 0]]))
    expect(touched.map((t) => t.pieceId)).toEqual(['sleeve'])
    expect(edgeMm(after, 'sleeve', 'cap')).toBeCloseTo(edgeMm(garment, 'sleeve', 'cap'), 9)
  })
})

describe('shares, whole pieces, refusals', () => {
  it('shares the amount between lines, and shared lines hold as well as one', () => {
    const garment = draftTrousers(TAPERED)
    const both = applied(
      garment,
      inputs('front', 40, [
        [{ by: 'line', id: 'thigh-shorten' }, 0, 3],
        [{ by: 'line', id: 'calf-shorten' }, 0, 2],
      ]),
    )
    expect(both.touched[0]!.levels.map((l) => l.amountMm)).toEqual([24, 16])
    expect(both.held.filter((h) => !h.held)).toEqual([])
    expect(both.touched.map((t) => t.pieceId)).toEqual(['front', 'back'])
  })
  it('changes whole pieces on both sides at once', () => {
    const garment = draftOnePiece()
    const { touched, held, garment: after } = applied(garment, inputs('front', 19.05, [[{ by: 'line', id: 'shorten' }, 0]]))
    expect(touched).toHaveLength(2)
    expect(held.filter((h) => !h.held)).toEqual([])
    const ends = shapeOf(findPiece(after, 'front')!, 'one').edges
    expect(ends['side-left']![0]!.from.x).toBeCloseTo(-ends['leg-right']![0]!.from.x, 6)
  })
  it('refuses an amount that would use the piece up, with the largest that works', () => {
    const garment = draftBlouse()
    const refused = applyAtLevels(garment, inputs('front', -400, [[{ by: 'line', id: 'shorten' }, 0]]), context)
    expect(refused.ok).toBe(false)
    if (refused.ok) return
    const largest = refused.problem.largestMm!
    expect(largest).toBeLessThan(-50)
    expect(applyAtLevels(garment, inputs('front', largest, [[{ by: 'line', id: 'shorten' }, 0]]), context).ok).toBe(true)
    expect(applyAtLevels(garment, inputs('front', largest - 4, [[{ by: 'line', id: 'shorten' }, 0]]), context).ok).toBe(false)
  })
  it.each<[string, LevelsInputs, string]>([
    ['a piece that has gone', inputs('nobody', 5, [[{ by: 'narrowest' }, 0]]), 'reference-gone'],
    ['a mark that has gone', inputs('front', 5, [[{ by: 'line', id: 'x' }, 0]]), 'reference-gone'],
    ['a line that misses the piece', inputs('front', 5, [[corner('at-hem'), 90]]), 'level-misses'],
    ['a waist where there is none', inputs('neckband', 5, [[{ by: 'narrowest' }, 0]]), 'level-misses'],
  ])('refuses %s', (_, change, code) => {
    const refused = applyAtLevels(draftBlouse(), change, context)
    expect(!refused.ok && refused.problem.code).toBe(code)
    expect(!refused.ok && refused.problem.remedy.length).toBeGreaterThan(10)
  })
  it('finds the waist by the narrowest place and by a notch', () => {
    const garment = draftBlouse()
    const narrow = applied(garment, inputs('back', 8, [[{ by: 'narrowest' }, 0]])).touched[0]!.levels[0]!.line.from.y
    const notch = applied(garment, inputs('back', 8, [[{ by: 'notch', id: 'waist' }, 0]])).touched[0]!.levels[0]!.line.from.y
    expect(Math.abs(narrow - notch)).toBeLessThan(3)
  })
  it('a refused or orphaned stop leaves the pieces alone, later stops still run', () => {
    const garment = draftBlouse()
    const stop = (id: string, change: LevelsInputs) => stopWith('lengthen', change, id)
    const good = inputs('front', -20, [[{ by: 'line', id: 'shorten' }, 0]])
    const plan = [
      stop('a', inputs('gone', 5, [[{ by: 'narrowest' }, 0]])),
      stop('b', inputs('front', -900, [[{ by: 'narrowest' }, 0]])),
      stop('c', good),
    ]
    const folded = foldPlan(garment, plan, context)
    expect(folded.stops.map((s) => s.status)).toEqual(['orphan', 'refused', 'applied'])
    const alone = foldPlan(garment, [stop('c', good)], context)
    const shape = (g: Garment) => shapeOf(findPiece(g, 'front')!, 'one')
    expect(shape(folded.garment)).toEqual(shape(alone.garment))
    // Stops before an edit are reused, not computed again.
    const edited = foldPlan(garment, [plan[0]!, plan[1]!, { ...plan[2]!, on: false }], context, folded)
    expect(edited.stops[0]).toBe(folded.stops[0])
    expect(edited.garment).toBe(garment)
  })
  it('moves in every size of the pattern', () => {
    const garment = structuredClone(pairGarment({ height: 600, top: 200, bottom: 240, back: 0 }))
    garment.sizes.push({ id: 'two', name: 'two' })
    for (const piece of garment.pieces) piece.shapes.two = structuredClone(piece.shapes.one!)
    const after = applied(garment, inputs('front', 30, [[corner('c1'), 100]])).garment
    for (const piece of after.pieces) expect(piece.shapes.two!.edges).toEqual(piece.shapes.one!.edges)
    expect(alongGrain(after.pieces[0]!.shapes.two!.edges.e2![0]!.from, grainDirection(after.pieces[0]!.shapes.two!))).toBeCloseTo(630, 6)
    expect(nearestPlace(after.pieces[1]!.shapes.two!.edges.e2!, { x: 0, y: 630 }).distanceMm).toBeLessThan(1e-6)
  })
})
