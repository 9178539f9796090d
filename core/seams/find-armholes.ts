import {
  beforeOpening,
  cornersOf,
  familyOf,
  findPiece,
  halfOf,
  neighbours,
  type Edge,
  type EdgeRole,
  type Garment,
  type Piece,
  type RunEdge,
  type Seam,
  type SeamMark,
} from '../pattern'
import { refuse, ok, type Result } from '../result'
import { beyondDart } from './over-darts'

/** What is sewn into an armhole: the side of a seam that is all cap. */
export interface Sleeve {
  seam: Seam
  side: 0 | 1
  /** Does that seam begin under the arm at the back, or at the front? */
  beginsAt: 'front' | 'back'
}

/** An armhole as it is sewn, over any number of pieces: each half walked from the shoulder down to the underarm. */
export interface Armhole {
  front: RunEdge[]
  back: RunEdge[]
  /** The shoulder seam between the two halves. */
  shoulder: Seam | null
  /** Null on a garment without sleeves. */
  sleeve: Sleeve | null
}

const roleOf = (garment: Garment, run: RunEdge): EdgeRole => findPiece(garment, run.pieceId)!.edges.find((e) => e.id === run.edgeId)!.role

/** The edge that follows one in the way that it is walked. */
function onward(piece: Piece, run: RunEdge) {
  const { before, after } = neighbours(piece, run.edgeId)
  return run.reversed ? before : after
}

/** The corner where a walked edge begins or ends. */
export function cornerOfRun(garment: Garment, run: RunEdge, which: 'first' | 'last'): { pieceId: string; cornerId: string } {
  const { start, end } = cornersOf(findPiece(garment, run.pieceId)!, run.edgeId)
  return { pieceId: run.pieceId, cornerId: ((which === 'first') === run.reversed ? end : start).id }
}

/** Seams of a sleeve to an armhole: one side all cap, the other all armhole. */
function sleevesOf(garment: Garment): { seam: Seam; side: 0 | 1 }[] {
  return garment.seams.flatMap((seam) =>
    ([0, 1] as const).flatMap((side) => {
      const isAll = (s: 0 | 1, role: EdgeRole) => seam.sides[s].every((r) => roleOf(garment, r) === role)
      return isAll(side, 'cap') && isAll(side === 0 ? 1 : 0, 'armhole') ? [{ seam, side }] : []
    }),
  )
}

const same = (a: RunEdge, b: RunEdge) => a.pieceId === b.pieceId && a.edgeId === b.edgeId

/**
 * The armhole below one end of a shoulder seam: over each piece to where its armhole ends, its darts closed, across the seam that begins there
 * and on, until the seam of the side, or where a sleeve’s seam begins or ends.
 */
function walkDown(garment: Garment, first: RunEdge, ends: ReadonlySet<string>): RunEdge[] {
  const half: RunEdge[] = []
  for (let run: RunEdge | null = first; run && !half.some((r) => same(r, run!));) {
    half.push(run)
    const piece: Piece = findPiece(garment, run.pieceId)!
    const last = cornerOfRun(garment, run, 'last')
    const next = onward(piece, run)
    if (ends.has(`${last.pieceId} ${last.cornerId}`)) break
    const beyond: Edge | null = next.role === 'dart-leg' ? beyondDart(piece, run) : next
    if (beyond?.role === 'armhole') run = { ...run, edgeId: beyond.id }
    else run = next.role === 'side' ? null : acrossSeam(garment, piece.id, next.id, last.cornerId)
  }
  return half
}

/** The armhole that goes on beyond a seam which begins or ends at a corner with this edge; null where none does. */
function acrossSeam(garment: Garment, pieceId: string, edgeId: string, cornerId: string): RunEdge | null {
  for (const seam of garment.seams)
    for (const side of [0, 1] as const) {
      const runs = seam.sides[side]
      const partner = seam.sides[side === 0 ? 1 : 0]
      const here = runs.findIndex((r) => r.pieceId === pieceId && r.edgeId === edgeId)
      if (here < 0) continue
      for (const which of ['first', 'last'] as const) {
        const at = which === 'first' ? 0 : runs.length - 1
        if (here !== at || cornerOfRun(garment, runs[at]!, which).cornerId !== cornerId) continue
        const on = armholeAt(garment, partner[which === 'first' ? 0 : partner.length - 1]!, which)
        if (on) return on
      }
    }
  return null
}

/** The armhole that leaves the first or last corner of a walked edge, walked away from it. */
function armholeAt(garment: Garment, run: RunEdge, which: 'first' | 'last'): RunEdge | null {
  const piece = findPiece(garment, run.pieceId)!
  const { before, after } = neighbours(piece, run.edgeId)
  const isAfter = (which === 'last') !== run.reversed
  const edge = isAfter ? after : before
  return edge.role === 'armhole' ? { pieceId: piece.id, edgeId: edge.id, reversed: !isAfter } : null
}

/** Is a half of an armhole the front one? By its pieces; null where none of them says. */
function isFront(garment: Garment, half: readonly RunEdge[]): boolean | null {
  for (const run of half) {
    const piece = findPiece(garment, run.pieceId)!
    const has = (role: EdgeRole) => piece.edges.some((e) => e.role === role)
    if (familyOf(piece) === 'bodice') return halfOf(piece) === 'front'
    if (has('centre-front') !== has('centre-back')) return has('centre-front')
  }
  return null
}

/**
 * The armholes of a garment, each from one end of a shoulder seam down over front and back (craft 6.10). A garment of half
 * pieces has one, one of whole pieces two; a sleeve cut in one with the body, or a dropped one without a cap, has none.
 */
export function findArmholes(garment: Garment): Armhole[] {
  const sleeves = sleevesOf(garment)
  const ends = new Set(
    sleeves.flatMap(({ seam, side }) => {
      const runs = seam.sides[side === 0 ? 1 : 0]
      const corners = [cornerOfRun(garment, runs[0]!, 'first'), cornerOfRun(garment, runs[runs.length - 1]!, 'last')]
      return corners.map((c) => `${c.pieceId} ${c.cornerId}`)
    }),
  )
  const found: Armhole[] = []
  for (const shoulder of garment.seams) {
    if (!shoulder.sides.flat().some((r) => roleOf(garment, r) === 'shoulder')) continue
    for (const which of ['first', 'last'] as const) {
      const starts = shoulder.sides.map((runs) => armholeAt(garment, runs[which === 'first' ? 0 : runs.length - 1]!, which))
      if (!starts[0] || !starts[1]) continue
      const [one, other] = [walkDown(garment, starts[0], ends), walkDown(garment, starts[1], ends)]
      const firstIsFront = isFront(garment, one) ?? isFront(garment, other) === false
      const [front, back] = firstIsFront ? [one, other] : [other, one]
      found.push({ front, back, shoulder, sleeve: sleeveIn(sleeves, front, back) })
    }
  }
  return found
}

/** A half of an armhole by its edges: a back that is a half piece belongs to both armholes where the front was opened out. */
export const halfKey = (runs: readonly RunEdge[]): string => runs.map((r) => `${r.pieceId} ${r.edgeId}`).join()

/** Every half of some armholes, each once. */
export function distinctHalves(armholes: readonly Armhole[]): { half: 'front' | 'back'; runs: RunEdge[] }[] {
  const all = armholes.flatMap((a) => (['front', 'back'] as const).map((half) => ({ half, runs: a[half] })))
  return [...new Map(all.map((h) => [halfKey(h.runs), h])).values()]
}

function sleeveIn(sleeves: ReturnType<typeof sleevesOf>, front: readonly RunEdge[], back: readonly RunEdge[]): Sleeve | null {
  for (const { seam, side } of sleeves) {
    const runs = seam.sides[side === 0 ? 1 : 0]
    if (!runs.every((r) => [...front, ...back].some((h) => same(h, r)))) continue
    return { seam, side, beginsAt: front.some((r) => same(r, runs[0]!)) ? 'front' : 'back' }
  }
  return null
}

/**
 * The armholes that have a sleeve of their own.
 * Refuses, with the reason: no armhole, a sleeve cut in one with the body, no sleeve, a cap that is sewn to no armhole.
 */
export function armholesWithSleeve(garment: Garment): Result<(Armhole & { sleeve: Sleeve })[]> {
  const all = findArmholes(garment)
  const pairs = all.flatMap((a) => (a.sleeve ? [{ ...a, sleeve: a.sleeve }] : []))
  if (pairs.length > 0) return ok(pairs)
  const none = whyNoArmhole(garment, all)
  if (none) return none
  const cap = garment.pieces.find((p) => p.edges.some((e) => e.role === 'cap'))
  if (cap)
    return refuse(
      'no-pair',
      cap.name,
      'no seam joins its cap to the armhole from one side of the underarm round to the other.',
      'Sew the whole cap to the whole armhole first; part an edge at the underarm where it runs across.',
    )
  return refuse('no-sleeve', 'garment', 'it has no sleeve that is sewn into its armhole.', 'Here the armhole can be changed by itself.')
}

/** Which of some armholes has the same sleeve’s seam: by its id, or by the one that it had before a piece was opened out. */
export const sameSleeve = <A extends Armhole & { sleeve: Sleeve }>(among: readonly A[], sleeve: Sleeve): A | undefined =>
  among.find((a) => a.sleeve.seam.id === sleeve.seam.id) ?? among.find((a) => a.sleeve.seam.id === beforeOpening(sleeve.seam.id))

/** Why a garment has no armhole that could be changed, or null when it has one. */
export function whyNoArmhole(garment: Garment, found = findArmholes(garment)): Result<never> | null {
  if (found.length > 0) return null
  const withShoulder = garment.pieces.find((p) => p.edges.some((e) => e.role === 'shoulder'))
  const withArmhole = garment.pieces.find((p) => p.edges.some((e) => e.role === 'armhole'))
  if (withShoulder && !withArmhole)
    return refuse(
      'sleeve-in-one',
      withShoulder.name,
      'sleeve and body are cut in one: there is no armhole.',
      'Change the width at the side or along the shoulder instead.',
    )
  if (withArmhole && withShoulder)
    return refuse(
      'no-shoulder-seam',
      withArmhole.name,
      'no shoulder seam joins a front armhole to a back one.',
      'Sew the shoulder seam of the two pieces first.',
    )
  return refuse('no-armhole', 'garment', 'it has no armhole.', 'Name the armhole edges first, if there are some.')
}

/** The mark of a cap that meets the shoulder, and the mark on the armhole that it meets; null where the seam has none. */
export function topMark(garment: Garment, armhole: Armhole & { sleeve: Sleeve }): { cap: SeamMark; body: SeamMark } | null {
  const { seam, side } = armhole.sleeve
  const shoulder = [armhole.front[0]!, armhole.back[0]!].map((r) => cornerOfRun(garment, r, 'first'))
  for (const pair of seam.marks) {
    const [cap, body] = [pair[side], pair[side === 0 ? 1 : 0]]
    if ('cornerId' in body && shoulder.some((s) => s.pieceId === body.pieceId && s.cornerId === body.cornerId)) return { cap, body }
  }
  return null
}
