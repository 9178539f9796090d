import { describe, expect, it } from 'vitest'
import { begunOn, contextFor, DEMO } from '../../../demo/test-kinds'
import { panelledBlouse, yokedBlouse } from '../../../demo/test-garments'
import { measureLength, nearestPlace } from '../../geometry'
import { walkGarment } from '../../match'
import { findZones, finishedMm } from '../../measure'
import { openLike } from '../../moves'
import {
  beforeOpening,
  checkGarment,
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Garment,
  type Piece,
  type RunEdge,
} from '../../pattern'
import { armholesWithSleeve, bodySides, otherSide, sideOfPart, type Side } from '../../seams'
import { applyOrRefuse } from '../apply-or-refuse'
import { handlesOf } from '../handles-of'
import { stepsOf } from '../steps-of'
import { onOneSide } from './one-side'
import type { Result } from '../../result'
import { CHANGE_KINDS } from '../registry'
import type { Applied, ChangeKind } from '../types'

const SIDES: Side[] = ['left', 'right']
const SIDED = (CHANGE_KINDS as readonly ChangeKind<object>[]).filter((k) => k.sideOf)
const AMOUNTS = [9, -7]

/** Every edge of every piece in every size: its length, and the side of the body it lies on. */
const edgesOf = (garment: Garment): Map<string, { mm: number; side: Side | null }> =>
  new Map(
    garment.pieces.flatMap((piece) =>
      garment.sizes.flatMap(({ id }) =>
        piece.edges.map((e): [string, { mm: number; side: Side | null }] => [
          `${piece.id} ${e.id} ${id}`,
          { mm: measureLength(edgePath(shapeOf(piece, id), e.id)), side: sideOfPart(piece, e.id) },
        ]),
      ),
    ),
  )
const applied = (kind: ChangeKind<object>, garment: Garment, inputs: object): Applied | null => {
  const result = applyOrRefuse(kind, garment, inputs, contextFor(garment))
  if (!result.ok) expect(result.problem.code).not.toBe('program-fault')
  return result.ok ? result.value : null
}
const seamsOf = (garment: Garment) => new Map(walkGarment(garment, garment.baseSizeId).seams.map((s) => [s.seam.id, s.surplusMm]))

describe('the sides of the body', () => {
  it('are told alike by fronts, backs and seams, for every garment', () => {
    for (const [name, garment] of [...DEMO, ['yoked', yokedBlouse()], ['panelled', panelledBlouse()]] as [string, Garment][]) {
      const sides = bodySides(garment)
      for (const seam of garment.seams)
        for (const a of seam.sides[0])
          for (const b of seam.sides[1]) {
            const [x, y] = [sides.get(a.pieceId), sides.get(b.pieceId)]
            if (x && y && a.pieceId !== b.pieceId) expect(x === y, `${name}: ${seam.name}`).toBe(a.reversed !== b.reversed)
          }
    }
  })

  it('are those of the body: the front of a sleeve that is cut as it lies is toward the front of its arm', () => {
    for (const [name, garment] of DEMO) {
      const pairs = armholesWithSleeve(garment)
      if (!pairs.ok) continue
      const { seam, side } = pairs.value[0]!.sleeve
      const isFront = (run: RunEdge) => pairs.value[0]!.front.some((r) => r.edgeId === run.edgeId && r.pieceId === run.pieceId)
      const runs = seam.sides[side]
      const sleeve = findPiece(garment, runs[0]!.pieceId)!
      if (runs.length !== 1) continue
      // The cap is walked from the front where the armhole is.
      const capFrom = isFront(seam.sides[side === 0 ? 1 : 0][0]!) ? 'front' : 'back'
      const shape = shapeOf(sleeve, garment.baseSizeId)
      const path = edgePath(shape, runs[0]!.edgeId)
      const [first, last] = runs[0]!.reversed ? [path[path.length - 1]!.to, path[0]!.from] : [path[0]!.from, path[path.length - 1]!.to]
      const [front, back] = capFrom === 'front' ? [first, last] : [last, first]
      const down = grainDirection(shape)
      // Seen with the cap up: which of both underarm points lies further to the right.
      const right = (p: { x: number; y: number }) => p.x * down.y - p.y * down.x
      expect(bodySides(garment).get(sleeve.id), name).toBe(right(front) > right(back) ? 'right' : 'left')
    }
  })
})

describe('a change on one side of the body', () => {
  it('can be chosen for shoulders, arms, armholes, sides and lengths', () => {
    expect(SIDED.map((k) => k.kind).sort()).toEqual([
      'add-at-edge',
      'bicep-width',
      'lengthen',
      'lower-armhole',
      'shoulder-forward',
      'shoulder-slope',
      'shoulder-width',
    ])
  })

  describe.each(SIDED.map((k): [string, ChangeKind<object>] => [k.kind, k]))('%s', (_, kind) => {
    const cases = begunOn(kind).flatMap(([name, garment, begun]) =>
      AMOUNTS.flatMap((mm): [string, Garment, object, Applied][] => {
        const inputs = kind.withAmount!(garment, begun, mm, contextFor(garment))
        const both = applied(kind, garment, inputs)
        return both ? [[`${name}, ${mm} mm`, garment, inputs, both]] : []
      }),
    )
    const oneSided = cases.flatMap(([where, garment, inputs, both]) =>
      SIDES.flatMap((side): { where: string; garment: Garment; inputs: object; both: Applied; side: Side; one: Applied }[] => {
        const one = applied(kind, garment, { ...inputs, side })
        return one ? [{ where: `${where}, ${side}`, garment, inputs, both, side, one }] : []
      }),
    )

    it('changes its side as both would be, and leaves the other as it was', () => {
      expect(oneSided.length).toBeGreaterThan(3)
      for (const { where, garment, inputs, both, side, one } of oneSided) {
        expect(checkGarment(one.garment), where).toBeNull()
        expect(one.held.filter((h) => !h.held).length, where).toBe(both.held.filter((h) => !h.held).length)
        // The steps on paper, and what is dragged, can be told of every one of them.
        const context = contextFor(garment)
        const set = { ...inputs, side }
        expect(stepsOf(kind, { before: garment, inputs: set, applied: one, context, ruler: 'in' }).length, where).toBeGreaterThan(2)
        for (const h of handlesOf(kind, garment, set, one, context)) expect(findPiece(one.garment, h.pieceId), where).toBeDefined()
        for (const t of one.touched)
          expect(
            findPiece(one.garment, t.pieceId)!.edges.some((e) => sideOfPart(findPiece(one.garment, t.pieceId)!, e.id) === side),
            where,
          ).toBe(true)
        const [was, alike] = [edgesOf(openLike(garment, one.garment)), edgesOf(openLike(both.garment, one.garment))]
        const edges = edgesOf(one.garment)
        expect([...edges.keys()].sort(), where).toEqual([...was.keys()].sort())
        let moved = 0
        for (const [key, { mm, side: on }] of edges) {
          expect(mm, `${where}: ${key}`).toBeCloseTo((on === side ? alike : was).get(key)!.mm, 6)
          if (on === side && Math.abs(mm - was.get(key)!.mm) > 0.01) moved += 1
        }
        const notches = one.garment.pieces.some(
          (p) => JSON.stringify(p.shapes) !== JSON.stringify(openLike(garment, one.garment).pieces.find((o) => o.id === p.id)!.shapes),
        )
        expect(moved > 0 || notches, where).toBe(true)
      }
    })

    it('leaves seams of the other side as they were, and those of its own as both would be', () => {
      for (const { where, garment, both, side, one } of oneSided) {
        const [was, alike, now] = [openLike(garment, one.garment), openLike(both.garment, one.garment), one.garment].map(seamsOf)
        for (const seam of one.garment.seams) {
          const on = seam.sides.flat().map((r) => sideOfPart(findPiece(one.garment, r.pieceId)!, r.edgeId))
          const from = on.includes(side) ? (on.includes(otherSide(side)) ? null : alike!) : was!
          if (from) expect(now!.get(seam.id), `${where}: ${seam.name}`).toBeCloseTo(from.get(seam.id)!, 6)
        }
      }
    })

    it('is the same on both sides, one after the other, as on both at once', () => {
      for (const { where, inputs, both, side, one } of oneSided.filter((o) => o.side === 'left')) {
        const second = applied(kind, one.garment, { ...inputs, side: otherSide(side) })
        if (!second) continue
        const [alike, edges] = [edgesOf(openLike(both.garment, second.garment)), edgesOf(second.garment)]
        for (const [key, { mm }] of edges)
          // Where a cap is fitted anew, it finds its length to a tenth or two.
          expect(Math.abs(mm - alike.get(key)!.mm), `${where}: ${key}`).toBeLessThan(0.25)
      }
    })

    it('keeps its side in whatever is set on it, and says it', () => {
      for (const { garment, inputs, side, one } of oneSided.slice(0, 2)) {
        const own = { ...inputs, side }
        const context = contextFor(garment)
        const kept = [
          kind.withAmount!(garment, own, 5, context),
          ...kind.handles(garment, own, one, context).map((h) => kind.drag(garment, own, h.id, 3, context)),
          ...(kind.withField ? [kind.withField(garment, own, 'amountMm', 4)] : []),
          ...(kind.choices?.(garment, own, context) ?? []).map((way) => way.inputs),
        ]
        for (const set of kept) expect(set).toMatchObject({ side })
        expect(kind.describe(garment, own).title).toContain(`${side} side`)
        expect(kind.fields(garment, own).map((f) => f.key)).toContain('side')
      }
    })
  })

  it('is measured on the larger limb', () => {
    const kind = SIDED.find((k) => k.kind === 'bicep-width')!
    for (const [name, garment, begun] of begunOn(kind)) {
      const bicepOf = (g: Garment) =>
        finishedMm(
          g,
          findZones(g).find((z) => z.id === 'bicep')!,
          g.baseSizeId,
        )
      const inputs = (mm: number) => kind.withAmount!(garment, begun, mm, contextFor(garment))
      const [fuller, both, slimmer] = [{ ...inputs(20), side: 'left' }, inputs(20), { ...inputs(-12), side: 'left' }].map((set) =>
        applied(kind, garment, set),
      )
      if (fuller && both) expect(bicepOf(fuller.garment), name).toBeCloseTo(bicepOf(both.garment), 6)
      if (slimmer) expect(bicepOf(slimmer.garment), name).toBeCloseTo(bicepOf(garment), 6)
    }
  })

  it('is dragged on its own side', () => {
    for (const name of ['shoulder-slope', 'shoulder-forward', 'shoulder-width'])
      for (const side of SIDES) {
        const kind = SIDED.find((k) => k.kind === name)!
        const [, garment, begun] = begunOn(kind)[0]!
        const context = contextFor(garment)
        const inputs = { ...kind.withAmount!(garment, begun, 6, context), side }
        const one = applied(kind, garment, inputs)!
        const handles = handlesOf(kind, garment, inputs, one, context)
        expect(handles.length).toBeGreaterThan(0)
        for (const handle of handles) {
          const piece = findPiece(one.garment, handle.pieceId)!
          const nearest = piece.edges
            .map((e) => ({ e, mm: nearestPlace(edgePath(shapeOf(piece, garment.baseSizeId), e.id), handle.at).distanceMm }))
            .reduce((a, b) => (b.mm < a.mm ? b : a))
          expect(nearest.mm, `${name}, ${side}`).toBeLessThan(2)
          expect(sideOfPart(piece, nearest.e.id), `${name}, ${side}, ${piece.name}`).toBe(side)
          expect(Math.hypot(handle.axis.x, handle.axis.y)).toBeCloseTo(1, 9)
        }
      }
  })

  it('is told on paper from the tracing of both halves on', () => {
    const kind = SIDED.find((k) => k.kind === 'bicep-width')!
    const [, garment, begun] = begunOn(kind)[0]!
    const context = contextFor(garment)
    const inputs = kind.withAmount!(garment, begun, 30, context)
    const stepsFor = (set: object) =>
      stepsOf(kind, { before: garment, inputs: set, applied: applied(kind, garment, set)!, context, ruler: 'in' })
    const [first, ...rest] = stepsFor({ ...inputs, side: 'left' })
    expect(first!.text).toMatch(/^Trace Front for cup B and Back out whole.* Trace Sleeve twice.* on the left side only\.$/)
    expect(rest).toEqual(stepsFor(inputs))
  })

  it('promises of the result that its side is as both would be, and the other as it was', () => {
    const kind = SIDED.find((k) => k.kind === 'shoulder-slope')!
    const [, garment, begun] = begunOn(kind)[0]!
    const set = kind.withAmount!(garment, begun, 9, contextFor(garment))
    const both = applied(kind, garment, set)!
    const held = (one: Result<Applied>) => (one.ok ? one.value.held.slice(both.held.length) : [])
    const one = onOneSide(garment, both, 'left', garment.baseSizeId)
    expect(held(one).map((h) => h.label)).toContain('right side, edges')
    expect(held(one).map((h) => h.label)).toContain('left side, edges as on both sides')
    expect(held(one).every((h) => h.held && h.before > 100)).toBe(true)
  })

  it('is told on paper, and dragged, on the piece of its side where that was opened out before', () => {
    const bicep = SIDED.find((k) => k.kind === 'bicep-width')!
    const lengthen = SIDED.find((k) => k.kind === 'lengthen')!
    const [, garment, begun] = begunOn(bicep)[0]!
    const opened = applied(bicep, garment, { ...bicep.withAmount!(garment, begun, 20, contextFor(garment)), side: 'left' })!.garment
    const context = contextFor(opened)
    const sleeve = opened.pieces.find((p) => p.kind === 'sleeve')!
    const level = { id: 'line-1', share: 1, mark: { by: 'line', id: sleeve.lines[0]!.id }, belowMm: 0 }
    for (const side of SIDES) {
      const set = { amountMm: -12, pieceId: sleeve.id, levels: [level], leftOut: [], side }
      const one = applied(lengthen, opened, set)!
      expect(one.touched.map((t) => findPiece(one.garment, t.pieceId)!.name)).toEqual([`Sleeve, ${side}`])
      const steps = stepsOf(lengthen, { before: opened, inputs: set, applied: one, context, ruler: 'in' })
      expect(steps.slice(1, 3).every((s) => s.text.startsWith(`Sleeve, ${side}:`))).toBe(true)
      for (const h of handlesOf(lengthen, opened, set, one, context))
        expect(findPiece(one.garment, h.pieceId)!.name).toBe(`Sleeve, ${side}`)
    }
  })

  it('tells which pieces were opened out, and which of them it is about', () => {
    const kind = SIDED.find((k) => k.kind === 'bicep-width')!
    const [, garment, begun] = begunOn(kind)[0]!
    for (const side of SIDES) {
      const one = applied(kind, garment, { ...kind.withAmount!(garment, begun, 30, contextFor(garment)), side })!
      expect(one.cautions.find((c) => c.code === 'opened-out')!.message).toMatch(/^Opened out: Front for cup B, Back and Sleeve\. /)
      const sleeves = one.garment.pieces.filter((p: Piece) => p.kind === 'sleeve')
      expect(sleeves.map((p) => p.name.split(', ')[1]).sort()).toEqual(SIDES)
      const about = findPiece(one.garment, one.touched[0]!.pieceId)!
      expect(about.kind === 'sleeve' ? about.name : side).toContain(side)
      for (const piece of sleeves) expect(beforeOpening(piece.id)).toBe(beforeOpening(sleeves[0]!.id))
    }
  })
})
