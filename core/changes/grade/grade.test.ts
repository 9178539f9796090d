import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../../demo/blouse'
import { draftJacket } from '../../../demo/jacket'
import { draftOnePiece } from '../../../demo/one-piece'
import { draftQuayDress } from '../../../demo/quay-dress'
import { draftTrousers, TAPERED } from '../../../demo/trousers'
import {
  cubic,
  distance,
  dot,
  flattenPath,
  line,
  measureLength,
  nearestPlace,
  pointAt,
  tangentAt,
  turnRad,
  type Path,
} from '../../geometry'
import { cornersAsSewn, walkGarment } from '../../match'
import { displacePath } from '../../moves'
import { checkGarment, dartFigures, findPiece, outlineOf, shapeOf, type Garment, sideLength } from '../../pattern'
import { findZones, finishedMm } from '../../measure'
import { grade, gradeGarment, gradedSizes, splitInterval, type GradeInputs } from './index'
import { growthByRules } from './rules'
import { contextWith } from '../test-context'

const inputs = (change: Partial<GradeInputs> = {}): GradeInputs => ({
  intervalMm: 38,
  up: 3,
  down: 2,
  upIntervalsMm: [],
  downIntervalsMm: [],
  centre: 'none',
  rules: {},
  school: 'shift',
  ...change,
})
const GARMENTS: [string, Garment][] = [
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
  ['trousers', draftTrousers(TAPERED)],
  ['one-piece', draftOnePiece()],
  ['jacket', draftJacket()],
]
const at = (x: number, y: number) => ({ x, y })

describe('displacing a path', () => {
  const curve: Path = [cubic(at(0, 0), at(-10, 40), at(30, 80), at(20, 130)), cubic(at(20, 130), at(15, 155), at(60, 200), at(50, 260))]
  const down = at(0, 1)
  const vector = fc.record({ x: fc.double({ min: -30, max: 30, noNaN: true }), y: fc.double({ min: -30, max: 30, noNaN: true }) })

  it.each([false, true])('moves both ends by what was asked, and goes back exactly (eased: %s)', (eased) => {
    fc.assert(
      fc.property(vector, vector, (a, b) => {
        const there = displacePath(curve, down, a, b, { eased })
        expect(distance(there[0]!.from, at(a.x, a.y))).toBeLessThan(1e-9)
        expect(distance(there[1]!.to, at(50 + b.x, 260 + b.y))).toBeLessThan(1e-9)
        const back = displacePath(there, down, { x: -a.x, y: -a.y }, { x: -b.x, y: -b.y }, { eased })
        for (const [i, s] of back.entries())
          for (const t of [0, 0.3, 0.7, 1]) expect(distance(pointAt(s, t), pointAt(curve[i]!, t))).toBeLessThan(1e-6)
      }),
    )
  })
  it('keeps smooth joins smooth', () => {
    const smooth: Path = [cubic(at(0, 0), at(-10, 40), at(30, 80), at(20, 130)), cubic(at(20, 130), at(10, 180), at(60, 200), at(50, 260))]
    fc.assert(
      fc.property(vector, vector, fc.boolean(), (a, b, eased) => {
        const there = displacePath(smooth, down, a, b, { eased })
        expect(Math.abs(turnRad(tangentAt(there[0]!, 1), tangentAt(there[1]!, 0)))).toBeLessThan(1e-9)
      }),
    )
  })
  it('leaves a straight line straight, and everything alike when both ends go the same way', () => {
    const straight: Path = [line(at(0, 0), at(10, 200))]
    expect(displacePath(straight, down, at(3, 0), at(9, 5))).toEqual([line(at(3, 0), at(19, 205))])
    const moved = displacePath(curve, down, at(7, 4), at(7, 4), { eased: true })
    for (const [i, s] of moved.entries()) expect(distance(pointAt(s, 0.4), pointAt(curve[i]!, 0.4))).toBeCloseTo(Math.hypot(7, 4), 6)
  })
  it('keeps the direction of its ends when eased', () => {
    const armhole: Path = [cubic(at(0, 0), at(0, 60), at(20, 120), at(60, 120))]
    const there = displacePath(armhole, down, at(2, 0), at(12, 0), { eased: true })
    expect(tangentAt(there[0]!, 0).x).toBeCloseTo(0, 9)
    expect(tangentAt(there[0]!, 1).y).toBeCloseTo(0, 9)
  })
  it('goes through a station inside, exactly', () => {
    const by = at(9, 0)
    const there = displacePath(curve, down, at(9, 0), at(3, 0), { station: { at: 0.5, by } })
    const node = there[0]!.to
    expect(distance(node, at(29, 130))).toBeLessThan(1e-9)
    expect(dot(tangentAt(there[0]!, 1), tangentAt(there[1]!, 0))).toBeGreaterThan(0.99)
  })
})

describe('an interval', () => {
  it('worked case 11: 38 mm, a third at the centres: 6.333 at each side, 3.167 at each centre', () => {
    const { sideMm, centreMm } = splitInterval(38, 'third')
    expect(sideMm).toBeCloseTo(6.333, 3)
    expect(centreMm).toBeCloseTo(3.167, 3)
    expect(4 * sideMm + 4 * centreMm).toBeCloseTo(38, 9)
  })
  it('is shared out whole, whatever it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 200, noNaN: true }), fc.constantFrom('none' as const, 'third' as const), (mm, centre) => {
        const { sideMm, centreMm } = splitInterval(mm, centre)
        expect(4 * sideMm + 4 * centreMm).toBeCloseTo(mm, 9)
      }),
    )
  })
  it('may differ from step to step: large sizes step wider', () => {
    const { above, below } = gradedSizes(draftBlouse(), inputs({ upIntervalsMm: [38, 51], downIntervalsMm: [25] }))
    expect(above.map((s) => s.totalMm)).toEqual([38, 89, 127])
    expect(below.map((s) => s.totalMm)).toEqual([-63, -25])
  })
  it('tells after every size how far it has come', () => {
    const told: string[] = []
    grade.apply(draftBlouse(), inputs(), contextWith({ progress: (what, done, of) => void told.push(`${what} ${done} of ${of}`) }))
    expect(told).toEqual(['size 1 of 5', 'size 2 of 5', 'size 3 of 5', 'size 4 of 5', 'size 5 of 5'])
  })
  it('counts names on where they are figures', () => {
    const garment = { ...draftBlouse(), sizes: [{ id: 'one', name: '12' }] }
    const { above, below } = gradedSizes(garment, inputs())
    expect([...below, ...above].map((s) => s.name)).toEqual(['10', '11', '13', '14', '15'])
  })
})

it.each([
  ['blouse', draftBlouse()],
  ['dress', draftQuayDress()],
])('the shoulder of the %s keeps its slope: neckline and armhole run on across the seam in every size', (_, garment) => {
  const nest = gradeGarment(garment, inputs({ up: 4, down: 3 }))
  const turns = (id: string) => cornersAsSewn(walkGarment(nest, id)).filter((c) => c.id.startsWith('shoulder'))
  expect(turns('one').length).toBeGreaterThan(1)
  for (const { id } of nest.sizes)
    for (const { id: corner, turnDeg } of turns(id)) expect(Math.abs(turnDeg), `${id}, ${corner}`).toBeLessThan(4)
})

it('a sleeve in two pieces grows at the bicep as one in a single piece does, each piece by its share, far beyond the sizes too', () => {
  const bicepMm = (garment: Garment, id: string) =>
    finishedMm(
      garment,
      findZones(garment).find((z) => z.id === 'bicep')!,
      id,
    )
  const sizes = inputs({ intervalMm: 51, up: 9, down: 2 })
  const [one, two] = [gradeGarment(draftBlouse(), sizes), gradeGarment(draftJacket(), sizes)]
  for (const { id } of one.sizes) {
    const [grewOne, grewTwo] = [one, two].map((g) => bicepMm(g, id) - bicepMm(g, 'one'))
    // A cap that follows its armhole also gives a little at its ends.
    expect(Math.abs(grewTwo! - grewOne!), id).toBeLessThan(0.12 * Math.abs(grewOne!) + 0.1)
    const seam = two.seams.find((s) => s.id.startsWith('armhole'))!
    const ease = (size: string) => sideLength(two, seam, 0, size) - sideLength(two, seam, 1, size)
    expect(Math.abs(ease(id) - ease('one')), id).toBeLessThan(0.5)
  }
})

describe.each(GARMENTS)('the %s, graded', (_, garment) => {
  const whole = gradeGarment(garment, inputs())
  const made = whole.sizes.filter((s) => s.id !== 'one')

  it('is a sound nest: same edges, corners and marks in every size', () => {
    expect(whole.sizes).toHaveLength(6)
    expect(checkGarment(whole)).toBeNull()
  })
  it('has each of its new sizes drawn alone as among the others', () => {
    const { above, below } = gradedSizes(garment, inputs())
    for (const size of [above[1]!, below[0]!]) {
      const alone = gradeGarment(garment, inputs(), { lookedAt: [size.id] })
      expect(alone.sizes.map((s) => s.id).toSorted()).toEqual(['one', size.id].toSorted())
      for (const piece of alone.pieces) {
        const [is, was] = [piece, findPiece(whole, piece.id)!].map((p) => outlineOf(p, shapeOf(p, size.id)))
        is!.forEach((s, i) => expect(distance(s.to, was![i]!.to), piece.name).toBeLessThan(0.001))
      }
    }
  })
  it('grows bust, waist and hip by exactly its intervals, within 0.1 mm in every size', () => {
    const { above, below } = gradedSizes(garment, inputs())
    const zones = findZones(garment).filter((z) => ['bust', 'waist', 'hip'].includes(z.id))
    expect(zones.length).toBeGreaterThan(0)
    for (const zone of zones)
      for (const size of [...below, ...above]) {
        const grew = finishedMm(whole, zone, size.id) - finishedMm(whole, zone, 'one')
        expect(Math.abs(grew - size.totalMm), `${zone.id} ${size.name}`).toBeLessThan(0.1)
      }
  })
  it('matches in every size as it did in its own, to 0.5 mm; cap ease and notches too', () => {
    for (const size of made)
      for (const seam of whole.seams) {
        const surplus = (id: string) => sideLength(whole, seam, 0, id) - sideLength(whole, seam, 1, id)
        expect(Math.abs(surplus(size.id) - surplus('one')), `${seam.id} ${size.name}`).toBeLessThan(0.5)
      }
    const good = (id: string) => walkGarment(whole, id).seams.flatMap((s) => s.marks.map((m) => m.verdict === 'good'))
    for (const size of made) expect(good(size.id)).toEqual(good('one'))
  })
  it('keeps the intake of its darts, and equal legs', () => {
    for (const piece of whole.pieces)
      for (const dart of piece.darts)
        for (const size of made) {
          const was = dartFigures(piece, shapeOf(piece, 'one'), dart)
          const is = dartFigures(piece, shapeOf(piece, size.id), dart)
          expect(is.intakeMm).toBeCloseTo(was.intakeMm, 6)
          expect(is.firstMm - is.secondMm).toBeCloseTo(was.firstMm - was.secondMm, 3)
        }
  })
  it('up and then down by the same rule is the outline again, to 0.1 mm', () => {
    for (const size of gradedSizes(garment, inputs()).above) {
      const up: Garment = {
        ...whole,
        sizes: [{ id: size.id, name: 'big' }],
        baseSizeId: size.id,
        pieces: whole.pieces.map((p) => ({ ...p, shapes: { [size.id]: p.shapes[size.id]! } })),
      }
      const back = gradeGarment(up, inputs({ up: 0, down: 1, intervalMm: size.totalMm }))
      for (const piece of back.pieces) {
        const was = garment.pieces.find((p) => p.id === piece.id)!.shapes.one!
        const is = piece.shapes[`${size.id}-1`]!
        for (const edge of piece.edges) {
          expect(Math.abs(measureLength(is.edges[edge.id]!) - measureLength(was.edges[edge.id]!))).toBeLessThan(0.02)
          for (const p of flattenPath(is.edges[edge.id]!, 1))
            expect(nearestPlace(was.edges[edge.id]!, p).distanceMm, `${piece.id} ${edge.id}`).toBeLessThan(0.1)
        }
      }
    }
  })
})

describe('the change', () => {
  it('shows what it held size by size, all of it kept', () => {
    const result = grade.apply(draftBlouse(), inputs(), contextWith())
    if (!result.ok) throw new Error(result.problem.message)
    expect(result.value.held.filter((h) => !h.held)).toEqual([])
    expect(result.value.held.filter((h) => h.label === 'bust grows as asked').map((h) => Math.round(h.before))).toEqual([
      -76, -38, 38, 76, 114,
    ])
    expect(result.value.cautions).toEqual([])
  })
  it('draws where every named point goes on its way to the next size, and follows a rule while it is edited', () => {
    const arrows = (rules: GradeInputs['rules'], up = 2) => {
      const result = grade.apply(draftBlouse(), inputs({ rules, up, down: up === 0 ? 1 : 0 }), contextWith())
      if (!result.ok) throw new Error(result.problem.message)
      return result.value.arrows!
    }
    const tip = (list: ReturnType<typeof arrows>) => list.find((a) => a.pieceId === 'front' && a.label === 'shoulder tip')!
    const plain = tip(arrows({}))
    expect(distance(plain.from, plain.to)).toBeGreaterThan(0.5)
    const edited = tip(arrows({ 'bodice-front': { 'shoulder-tip': { across: 0.2, along: 0 } } }))
    expect(edited.to.x - edited.from.x).toBeCloseTo(0.2 * 38, 1)
    // Without a size above, the one below is drawn.
    expect(tip(arrows({}, 0)).to.x).toBeLessThan(plain.from.x)
  })
  it('says when rules of one’s own do not add up to the interval, and keeps to them', () => {
    const own = inputs({ rules: { 'bodice-front': { underarm: { across: 0.2, along: 0.08 }, 'hem-side': { across: 0.2, along: 0.16 } } } })
    expect(growthByRules(draftBlouse(), own)).toBeCloseTo(0.9, 9)
    const result = grade.apply(draftBlouse(), own, contextWith())
    if (!result.ok) throw new Error(result.problem.message)
    expect(result.value.cautions.map((c) => c.code)).toEqual(['rules-off'])
    const bust = findZones(draftBlouse()).find((z) => z.id === 'bust')!
    const grew = finishedMm(result.value.garment, bust, 'one+1') - finishedMm(result.value.garment, bust, 'one')
    expect(grew).toBeCloseTo(38 * 0.9, 1)
  })
  it.each(['shift', 'outward', 'spread'] as const)(
    'prints steps for those who draw it by %s, with figures that a ruler shows',
    (school) => {
      const garment = draftBlouse()
      const set = inputs({ school, centre: 'third' })
      const result = grade.apply(garment, set, contextWith())
      if (!result.ok) throw new Error(result.problem.message)
      const steps = grade.paperSteps({ before: garment, inputs: set, applied: result.value, context: contextWith(), ruler: 'cm' })
      expect(steps[0]!.text).toContain(
        'the body grows by 3.8 cm: 0.6 cm at each of four side edges and 0.3 cm at each of four centre edges',
      )
      expect(steps[1]!.text).toMatch(/underarm out 1\.0 cm, down 0\.3 cm/)
      expect(steps[1]!.text).toMatch({ shift: /without turning/, outward: /measure outward/, spread: /spread the parts/ }[school])
    },
  )
})
