import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { nestOf } from '../../demo/nest'
import { draftOnePiece } from '../../demo/one-piece'
import { draftQuayDress } from '../../demo/quay-dress'
import { panelledBlouse } from '../../demo/test-garments'
import { draftTrousers, FLARED, TAPERED } from '../../demo/trousers'
import { add, dot, measureLength, nearestPlace, scale, subtract, unit } from '../geometry'
import { openOut } from '../moves'
import { checkGarment, dartCapPoint, dartFigures, GarmentSchema, shapeOf, takeSize, timesRound, type Garment } from './index'
import { garmentOf, polygonPiece, seamOf } from './test-pieces'

const DEMOS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['tapered trousers', draftTrousers(TAPERED)],
  ['flared trousers', draftTrousers(FLARED)],
  ['one-piece', draftOnePiece()],
  ['quay dress', draftQuayDress()],
]

function edited(change: (g: Garment) => void): Garment {
  const g = structuredClone(draftBlouse())
  change(g)
  return g
}

describe('one size as a garment of its own', () => {
  it('has the lines of that size and nothing of the others, and is sound', () => {
    const nest = nestOf(draftBlouse())
    const id = nest.sizes[5]!.id
    const own = takeSize(nest, id)
    expect(own.sizes).toEqual([nest.sizes[5]])
    expect(checkGarment(own)).toBeNull()
    for (const [i, piece] of own.pieces.entries()) {
      expect(Object.keys(piece.shapes)).toEqual([id])
      expect(shapeOf(piece, id)).toBe(shapeOf(nest.pieces[i]!, id))
    }
    expect(() => takeSize(nest, 'nowhere')).toThrow(/no size nowhere/)
  })
})

describe('checkGarment', () => {
  it.each(DEMOS)('finds the demo %s sound, and the schema reads it', (_, garment) => {
    expect(GarmentSchema.safeParse(garment).success).toBe(true)
    expect(checkGarment(garment)).toBeNull()
  })
  it.each<[string, (g: Garment) => void, RegExp]>([
    [
      'an open outline',
      (g) => void (g.pieces[0]!.shapes.one!.edges.shoulder = [{ kind: 'line', from: { x: 0, y: 0 }, to: { x: 5, y: 5 } }]),
      /open after/,
    ],
    ['a twin piece id', (g) => void (g.pieces[1]!.id = 'front'), /used twice/],
    ['a lost notch edge', (g) => void (g.pieces[0]!.notches[0]!.edgeId = 'gone'), /edge that is not there/],
    ['a lost seam edge', (g) => void (g.seams[0]!.sides[0]![0]!.edgeId = 'gone'), /walks an edge/],
    ['a lost mark', (g) => void (g.seams[1]!.marks[0]![0] = { pieceId: 'front', notchId: 'gone' }), /notch or corner/],
    ['a missing size', (g) => g.sizes.push({ id: 'two', name: 'two' }), /has no outline/],
    ['a base size that is none', (g) => void (g.baseSizeId = 'x'), /base size/],
    ['a dart without neighbours', (g) => void (g.pieces[0]!.darts[0]!.legs = ['dart-upper', 'hem']), /neighbouring legs/],
  ])('names %s', (_, change, sentence) => {
    expect(checkGarment(edited(change))?.message).toMatch(sentence)
  })
  it('names an outline that crosses itself, and one that runs the wrong way round', () => {
    const bow = polygonPiece(
      'bow',
      'other',
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 0, y: 100 },
        { x: 140, y: 120 },
      ],
      ['other', 'other', 'other', 'other'],
    )
    expect(checkGarment(garmentOf([bow]))?.message).toMatch(/crosses itself/)
    const wrong = polygonPiece(
      'wrong',
      'other',
      [
        { x: 0, y: 0 },
        { x: 0, y: 100 },
        { x: 100, y: 100 },
      ],
      ['other', 'other', 'other'],
    )
    expect(checkGarment(garmentOf([wrong]))?.message).toMatch(/anticlockwise/)
    expect(checkGarment(garmentOf([bow], [seamOf('s', ['no', 'e0', false], ['bow', 'e0', false])]))).not.toBeNull()
  })
})

describe('darts', () => {
  const garment = draftBlouse()
  const front = garment.pieces[0]!
  it('have equal legs and the drafted intake', () => {
    const d = dartFigures(front, shapeOf(front, 'one'), front.darts[0]!)
    expect(d.firstMm).toBeCloseTo(d.secondMm, 6)
    expect(d.intakeMm).toBeCloseTo(24, 3)
    expect(d.intakeMm).toBeCloseTo(2 * d.firstMm * Math.sin(d.angleRad / 2), 6)
  })
  it('have a cap that lies on the seam line when the dart is folded and pressed', () => {
    for (const pressTo of ['before', 'after'] as const) {
      const dart = { ...front.darts[0]!, pressTo }
      const shape = shapeOf(front, 'one')
      const d = dartFigures(front, shape, dart)
      const cap = dartCapPoint(front, shape, dart)
      const leg = pressTo === 'after' ? d.second : d.first
      const u = unit(subtract(leg, d.tip))
      const v = subtract(cap, d.tip)
      // Folding flat mirrors the cap about the leg it is pressed over; there it must lie on the seam going on.
      const folded = add(d.tip, subtract(scale(u, 2 * dot(v, u)), v))
      const seam = shape.edges[pressTo === 'after' ? 'side-lower' : 'side-upper']!
      expect(nearestPlace(seam, folded).distanceMm).toBeLessThan(0.5)
    }
  })
})

describe('how often a piece goes round the body', () => {
  const blouse = draftBlouse()
  const cut = (id: string, count: number, among = blouse.pieces) => {
    const piece = { ...among.find((p) => p.id === id)!, cut: { count, mirrored: true } }
    return timesRound({ ...blouse, pieces: among.map((p) => (p.id === id ? piece : p)) }, piece)
  }
  it('is twice on the fold and of a pair, once of a whole piece', () => {
    expect([cut('front', 1), cut('sleeve', 2)]).toEqual([2, 2])
    const bather = draftOnePiece()
    expect(timesRound(bather, bather.pieces[0]!)).toBe(1)
  })
  it('is no more where a second layer is cut: of a lined front, a lined sleeve, a yoke', () => {
    expect([cut('front', 2), cut('back', 2), cut('sleeve', 4)]).toEqual([2, 2, 2])
    const yoke = { ...blouse.pieces.find((p) => p.id === 'back')!, id: 'yoke', kind: 'other' as const }
    expect(cut('yoke', 2, [...blouse.pieces, yoke])).toBe(2)
  })
  it('is once of a whole front that is lined, and twice of a panel of each side, whatever parts its armhole', () => {
    const front = blouse.pieces.find((p) => p.id === 'front')!
    const whole = openOut(blouse, 'front', ['left', 'right'])
    expect(cut('front', 2, whole.pieces)).toBe(1)
    const isCentre = (e: { fold: boolean }) => e.fold
    const panel = {
      ...front,
      id: 'panel',
      edges: front.edges.map((e) => (isCentre(e) ? { ...e, fold: false, role: 'panel' as const } : e)),
    }
    const parted = { ...panel, edges: panel.edges.map((e) => (e.role === 'shoulder' ? { ...e, role: 'armhole' as const } : e)) }
    for (const p of [panel, parted]) expect(cut('panel', 2, [...blouse.pieces, p])).toBe(2)
  })
  it('is twice of the panels of a bodice that are lined, along all seams between them, and of one that meets itself as it is cut', () => {
    const garment = panelledBlouse()
    const panels = garment.pieces.filter((p) => p.edges.some((e) => e.role === 'panel') && !p.edges.some((e) => e.fold))
    expect(panels.length).toBeGreaterThan(1)
    const lined = { ...garment, pieces: garment.pieces.map((p) => (panels.includes(p) ? { ...p, cut: { count: 4, mirrored: true } } : p)) }
    const times = (g: typeof garment) => g.pieces.filter((p) => panels.some((q) => q.id === p.id)).map((p) => timesRound(g, p))
    expect([times(garment), times(lined)]).toEqual([panels.map(() => 2), panels.map(() => 2)])
    const own = lined.seams.find((s) => s.sides.flat().every((r) => panels.some((p) => p.id === r.pieceId)))!
    const alike = { ...own, sides: [own.sides[0], own.sides[0]] as typeof own.sides }
    const met = { ...lined, seams: lined.seams.map((s) => (s === own ? alike : s)) }
    expect(times(met)).toContain(4)
  })
  it('is four times where front and back are cut alike, and as often as it is cut where it lies beside itself', () => {
    const alone = blouse.pieces.filter((p) => p.id !== 'back')
    expect([cut('front', 1, alone), cut('front', 2, alone), cut('front', 4, alone)]).toEqual([2, 4, 4])
    const gore = { ...blouse.pieces[0]!, id: 'gore', kind: 'skirt-front' as const }
    const edges = gore.edges.map((e) => ({ ...e, fold: false, role: e.fold ? ('panel' as const) : e.role }))
    expect(cut('gore', 6, [...blouse.pieces, { ...gore, edges }])).toBe(6)
  })
})

it('the blouse sleeve has a cap 15 to 30 mm longer than its armholes', () => {
  const shapes = Object.fromEntries(draftBlouse().pieces.map((p) => [p.id, p.shapes.one!.edges]))
  const ease = measureLength(shapes.sleeve!.cap!) - measureLength(shapes.front!.armhole!) - measureLength(shapes.back!.armhole!)
  expect(ease).toBeGreaterThan(15)
  expect(ease).toBeLessThan(30)
})
