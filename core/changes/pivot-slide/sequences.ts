import { add, applyAffine, chain, dot, mix, scale, slideBy, subtract, turnAbout } from '../../geometry'
import { pivotAngle, type TracedRun } from '../../moves'
import { cornersOf, edgePath, frameOf, isBody, neighbours, type Edge, type Garment, type Piece, type Shape } from '../../pattern'
import { pointOnChain, zonesOnChain } from '../../measure'
import { SNAP_MM } from '../../tolerances'
import { shoulderEnds } from '../shared/find-shoulders'
import { edgeNames, slideRun, type PivotPlan, type PivotRun } from './plan'
import type { PivotSlideInputs } from './schema'
import { sidesOf, stretchOf, type Side } from './sides'

const wordsOf = (piece: Piece, side: Side, atMm: number): string => {
  if (atMm <= SNAP_MM) return cornerName(piece, side, true)
  if (atMm >= side.chain.totalMm - SNAP_MM) return cornerName(piece, side, false)
  return 'side'
}

function cornerName(piece: Piece, side: Side, top: boolean): string {
  const part = side.chain.edges[top ? 0 : side.chain.edges.length - 1]!
  const { start, end } = cornersOf(piece, part.edgeId)
  return (top === part.reversed ? end : start).name
}

/** A turn about a place of a side until another place of it has gone out by an amount. */
function turnSide(
  piece: Piece,
  shape: Shape,
  side: Side,
  pinMm: number,
  targetMm: number,
  amountMm: number,
  zone: string,
  bits: TracedRun['bits'],
): PivotRun | null {
  const pin = pointOnChain(shape, side.chain, pinMm)
  const target = pointOnChain(shape, side.chain, targetMm)
  const turnRad = pivotAngle(pin, target, side.outward, amountMm)
  if (turnRad === null) return null
  return {
    bits,
    move: turnAbout(pin, turnRad),
    pin,
    turnRad,
    by: { x: 0, y: 0 },
    pinName: wordsOf(piece, side, pinMm),
    targetName: `side at the ${zone}`,
    targetMm: amountMm,
    way: amountMm < 0 ? 'inward' : 'outward',
    tracedNames: edgeNames(side.edges.filter((e) => bits.some((b) => b.edgeId === e.id))),
  }
}

type Plan = (garment: Garment, piece: Piece, shape: Shape, amountMm: number, sizeId: string) => PivotPlan | null

const join = (plans: (PivotPlan | null)[]): PivotPlan | null => {
  if (plans.length === 0 || plans.some((p) => p === null)) return null
  const all = plans as PivotPlan[]
  return { runs: all.flatMap((p) => p.runs), gaps: all.flatMap((p) => p.gaps), watched: all.flatMap((p) => p.watched) }
}

const waist: Plan = (garment, piece, shape, amountMm, sizeId) =>
  join(
    sidesOf(piece, shape).map((side) => {
      const at = zonesOnChain(garment, side.chain, sizeId).find((z) => z.zone === 'waist')?.atMm
      if (at === undefined) return null
      const total = side.chain.totalMm
      const place = pointOnChain(shape, side.chain, at)
      const upper = at > SNAP_MM ? turnSide(piece, shape, side, 0, at, amountMm, 'waist', stretchOf(side, 0, at)) : undefined
      const lower =
        at < total - SNAP_MM ? turnSide(piece, shape, side, total, at, amountMm, 'waist', stretchOf(side, at, total)) : undefined
      if (upper === null || lower === null) return null
      const runs = [upper, lower].filter((r): r is PivotRun => r !== undefined)
      const gaps = !lower ? [side.below.id] : !upper ? [side.above.id] : []
      // Two turns about different pins come to lie a little apart there: the line runs half way between.
      const to = mix(applyAffine(runs[0]!.move, place), applyAffine(runs[runs.length - 1]!.move, place), 0.5)
      return { runs, gaps, watched: [{ was: place, to, direction: side.outward, label: 'side at the waist goes out by' }] }
    }),
  )

const hip: Plan = (garment, piece, shape, amountMm, sizeId) =>
  join(
    sidesOf(piece, shape).map((side) => {
      const zones = zonesOnChain(garment, side.chain, sizeId)
      const at = zones.find((z) => z.zone === 'hip')?.atMm
      const from = zones.find((z) => z.zone === 'waist')?.atMm ?? 0
      if (at === undefined || at - from <= SNAP_MM) return null
      const total = side.chain.totalMm
      const place = pointOnChain(shape, side.chain, at)
      // A hip at the hem is the end of the side.
      const end = at > total - NEAR_END_MM ? total : at
      const turned = turnSide(piece, shape, side, from, end, amountMm, 'hip', stretchOf(side, from, end))
      if (!turned) return null
      const runs = [turned]
      if (from > SNAP_MM) runs.push(slideRun([], { x: 0, y: 0 }, '', 0, '', stretchOf(side, 0, from)))
      if (end < total) {
        const by = subtract(applyAffine(turned.move, pointOnChain(shape, side.chain, end)), pointOnChain(shape, side.chain, end))
        runs.push(slideRun(side.edges, by, 'hip', amountMm, 'outward', stretchOf(side, end, total)))
      }
      const watchedAt = end === total ? side.bottom : place
      return {
        runs,
        gaps: [side.below.id],
        watched: [
          { was: watchedAt, to: applyAffine(turned.move, watchedAt), direction: side.outward, label: 'side at the hip goes out by' },
        ],
      }
    }),
  )

/** A hip nearer than this to the end of the side is that end, mm. */
const NEAR_END_MM = 5

/** The armhole above a side, with the shoulder it ends at; null where there is none. */
function armholeAbove(piece: Piece, shape: Shape, side: Side) {
  const end = shoulderEnds(piece).find((e) => e.armhole[e.armhole.length - 1]!.id === side.above.id)
  if (!end) return null
  const path = edgePath(shape, end.shoulder.id)
  const [start, last] = [path[0]!.from, path[path.length - 1]!.to]
  return { ...end, tip: end.reversed ? start : last, inner: end.reversed ? last : start }
}

const bust: Plan = (_garment, piece, shape, amountMm) =>
  join(
    sidesOf(piece, shape).map((side) => {
      const arm = armholeAbove(piece, shape, side)
      const turnRad = arm && pivotAngle(arm.tip, side.top, side.outward, amountMm)
      if (!arm || turnRad === null) return null
      const turned = turnAbout(arm.tip, turnRad)
      const underarm = applyAffine(turned, side.top)
      const by = subtract(underarm, side.top)
      // The side is slid to the new underarm and turned about it until its lower end is back above its old place.
      const back = pivotAngle(underarm, add(side.bottom, by), side.outward, -dot(by, side.outward))
      if (back === null) return null
      const armRun: PivotRun = {
        bits: arm.armhole.map((e) => ({ edgeId: e.id })),
        move: turned,
        pin: arm.tip,
        turnRad,
        by: { x: 0, y: 0 },
        pinName: 'shoulder tip',
        targetName: 'underarm',
        targetMm: amountMm,
        way: amountMm < 0 ? 'inward' : 'outward',
        tracedNames: edgeNames(arm.armhole),
      }
      const sideRun: PivotRun = {
        bits: side.edges.map((e) => ({ edgeId: e.id })),
        move: chain(turnAbout(underarm, back), slideBy(by)),
        pin: underarm,
        turnRad: back,
        by,
        pinName: 'new underarm',
        targetName: 'lower end of the side',
        targetMm: 0,
        way: 'back above its old place',
        tracedNames: edgeNames(side.edges),
      }
      return {
        runs: [armRun, sideRun],
        gaps: [side.below.id],
        watched: [{ was: side.top, to: applyAffine(turned, side.top), direction: side.outward, label: 'underarm goes out by' }],
      }
    }),
  )

/** A shoulder with the darts in it, from its inner end: the edges that turn when its slope is changed. */
function shoulderRun(piece: Piece, first: Edge, reversed: boolean): { edges: Edge[]; inner: Edge } {
  const edges = [first]
  let inner = first
  while (edges.length < piece.edges.length) {
    const { before, after } = neighbours(piece, inner.id)
    const next = reversed ? after : before
    if (next.role !== 'dart-leg' && next.role !== 'shoulder') break
    edges.push(next)
    inner = next
  }
  return { edges, inner: edges.filter((e) => e.role === 'shoulder').at(-1)! }
}

const slope: Plan = (_garment, piece, shape, amountMm) =>
  join(
    sidesOf(piece, shape).map((side) => {
      const arm = armholeAbove(piece, shape, side)
      if (!arm) return null
      const run = shoulderRun(piece, arm.shoulder, arm.reversed)
      const path = edgePath(shape, run.inner.id)
      const neck = arm.reversed ? path[path.length - 1]!.to : path[0]!.from
      const up = scale(side.down, -1)
      const turnRad = pivotAngle(neck, arm.tip, up, amountMm)
      if (turnRad === null) return null
      const turned = turnAbout(neck, turnRad)
      const by = subtract(applyAffine(turned, arm.tip), arm.tip)
      const shoulder: PivotRun = {
        bits: run.edges.map((e) => ({ edgeId: e.id })),
        move: turned,
        pin: neck,
        turnRad,
        by: { x: 0, y: 0 },
        pinName: 'neck point',
        targetName: 'shoulder tip',
        targetMm: amountMm,
        way: amountMm < 0 ? 'downward' : 'upward',
        tracedNames: edgeNames(run.edges),
      }
      const armhole = slideRun(arm.armhole, by, 'armhole with the shoulder tip', amountMm, amountMm < 0 ? 'downward' : 'upward')
      // From the underarm to the first dart, or to the end, the side is joined anew.
      const gap = side.chain.edges[0]!.edgeId
      return {
        runs: [shoulder, armhole],
        gaps: [gap],
        watched: [{ was: arm.tip, to: applyAffine(turned, arm.tip), direction: up, label: 'shoulder tip goes up by' }],
      }
    }),
  )

const longer: Plan = (_garment, piece, shape, amountMm) => {
  const { down } = frameOf(piece, shape)
  const hem = piece.edges.filter((e) => e.role === 'hem' || e.role === 'leg-opening')
  if (hem.length === 0 || piece.kind === 'sleeve' || piece.kind === 'band') return null
  const n = piece.edges.length
  const first = hem.find((e) => !hem.includes(neighbours(piece, e.id).before))!
  const last = hem.find((e) => !hem.includes(neighbours(piece, e.id).after))!
  const start = piece.edges.indexOf(first)
  const run: Edge[] = []
  for (let k = start; ; k = (k + 1) % n) {
    run.push(piece.edges[k]!)
    if (piece.edges[k] === last) break
  }
  const by = scale(down, amountMm)
  return {
    runs: [slideRun(run, by, 'hem', amountMm, amountMm < 0 ? 'up along the grain' : 'down along the grain')],
    gaps: [neighbours(piece, first.id).before.id, neighbours(piece, last.id).after.id],
    watched: [
      {
        was: edgePath(shape, first.id)[0]!.from,
        to: applyAffine(slideBy(by), edgePath(shape, first.id)[0]!.from),
        direction: down,
        label: 'hem goes down by',
      },
    ],
  }
}

const wider: Plan = (_garment, piece, shape, amountMm) =>
  join(
    sidesOf(piece, shape).map((side) => {
      const arm = armholeAbove(piece, shape, side)
      const by = scale(side.outward, amountMm)
      const edges = [...(arm ? arm.armhole : []), ...side.edges]
      return {
        runs: [slideRun(edges, by, 'side', amountMm, amountMm < 0 ? 'inward' : 'outward')],
        gaps: [arm ? arm.shoulder.id : side.above.id, side.below.id],
        watched: [{ was: side.bottom, to: applyAffine(slideBy(by), side.bottom), direction: side.outward, label: 'side goes out by' }],
      }
    }),
  )

const PLANS: Record<Exclude<PivotSlideInputs['sequence'], 'free'>, Plan> = { waist, hip, bust, slope, longer, wider }

/** What a ready-made sequence does to a piece, or null when it has no place on it or no turn gives the amount. */
export function planSequence(
  garment: Garment,
  piece: Piece,
  shape: Shape,
  sequence: keyof typeof PLANS,
  amountMm: number,
  sizeId: string,
): PivotPlan | null {
  return isBody(piece) ? PLANS[sequence](garment, piece, shape, amountMm, sizeId) : null
}
