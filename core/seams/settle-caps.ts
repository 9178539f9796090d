import type { Garment } from '../pattern'
import { ok, type Problem, type Result } from '../result'
import { LENGTH_FOUND_MM } from '../tolerances'
import { armholesWithSleeve, sameSleeve } from './find-armholes'
import { fitCap, settleCapMarks, type CapWay } from './fit-cap'
import { HALVES, measureArmhole, type ArmholeFigures, type Half } from './measure-armhole'

/** What became of one cap in one size. */
export interface SettledCap {
  seamId: string
  /** What armhole and cap measured before, and measure now. */
  before: ArmholeFigures
  after: ArmholeFigures
  /** How far its top rose, its ends went outward, and its shoulder notch went toward the front, mm. */
  riseMm: number
  outMm: Record<Half, number>
  notchMm: number
}

/** Where no way is asked for, the width at the bicep gives only where the height alone cannot: far beyond the printed sizes. */
const ANY_WAY: readonly CapWay[] = ['height', 'both', 'width']

/** What worked, or else the first refusal: it is about the way that was tried first. */
const keepFirst = <R extends { ok: boolean }>(first: R | null, next: R): R => (next.ok || !first ? next : first)

/**
 * Caps made to follow their armholes (craft 6.10): front and back each with the ease that it had.
 *
 * @param before the garment whose ease is kept, in its own size
 * @param how.way by which the cap gives; by its height, and where that does not reach by its width too, where none is asked for
 * @param how.more ease that is asked for beyond what it was, front and back, mm
 * Refuses where a cap cannot be made as long as that, with the closest that was reached.
 */
export function settleCaps(
  before: Garment,
  after: Garment,
  sizeBefore: string,
  sizeId: string,
  how: { way?: CapWay; slideMm?: number; more?: Record<Half, number> } = {},
): Result<{ garment: Garment; caps: SettledCap[] }> {
  const was = armholesWithSleeve(before)
  const is = armholesWithSleeve(after)
  if (!was.ok || !is.ok) return ok({ garment: after, caps: [] })
  const caps: SettledCap[] = []
  let garment = after
  let problem: Problem | null = null
  /** A cap that is sewn into two armholes follows the first of them. */
  const done = new Set<string>()
  for (const armhole of is.value) {
    const { seam, side } = armhole.sleeve
    const old = sameSleeve(was.value, armhole.sleeve)
    const edges = seam.sides[side].map((r) => `${r.pieceId} ${r.edgeId}`)
    if (!old || edges.some((e) => done.has(e))) continue
    edges.forEach((e) => done.add(e))
    const figures = measureArmhole(before, old, sizeBefore)
    const ease = { front: figures.ease.front + (how.more?.front ?? 0), back: figures.ease.back + (how.more?.back ?? 0) }
    const now = measureArmhole(garment, armhole, sizeId)
    const wanted = { front: now.armhole.front + ease.front, back: now.armhole.back + ease.back }
    const isThere = HALVES.every((h) => Math.abs(now.cap[h] - wanted[h]) <= LENGTH_FOUND_MM) && !how.slideMm
    if (isThere) {
      caps.push({ seamId: seam.id, before: figures, after: now, riseMm: 0, outMm: { front: 0, back: 0 }, notchMm: 0 })
      continue
    }
    const fitted = (how.way ? [how.way] : ANY_WAY).reduce<ReturnType<typeof fitCap> | null>(
      (found, way) => (found?.ok ? found : keepFirst(found, fitCap(garment, armhole, sizeId, wanted, way, how.slideMm))),
      null,
    )!
    if (!fitted.ok) {
      problem = fitted.problem
      break
    }
    garment = settleCapMarks(before, fitted.value.garment, armhole, sizeBefore, sizeId)
    const { move, notchMm } = fitted.value
    caps.push({
      seamId: seam.id,
      before: figures,
      after: measureArmhole(garment, armhole, sizeId),
      riseMm: move.riseMm,
      outMm: move.outMm,
      notchMm,
    })
  }
  return problem ? { ok: false, problem } : ok({ garment, caps })
}

/** The same in every size of a nest; sizes that the garment before has not got are held against its own. */
export function settleCapsInSizes(
  before: Garment,
  after: Garment,
  how: Parameters<typeof settleCaps>[4] = {},
): Result<{ garment: Garment; caps: Map<string, SettledCap[]> }> {
  const caps = new Map<string, SettledCap[]>()
  let garment = after
  for (const size of after.sizes) {
    const sizeBefore = before.sizes.some((s) => s.id === size.id) ? size.id : before.baseSizeId
    const settled = settleCaps(before, garment, sizeBefore, size.id, how)
    if (!settled.ok) return settled
    garment = settled.value.garment
    caps.set(size.id, settled.value.caps)
  }
  return ok({ garment, caps })
}
