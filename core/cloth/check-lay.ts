import { add, boundsOfPoints, cross, mapPath, subtract, type Point } from '../geometry'
import { containsPoint } from '../moves'
import { usableMm, type Cloth } from './cloth'
import type { Lay, LaidOnCloth } from './make-lay'
import { STRIPE_MM } from './stripes'

/** What is wrong with a lay that was changed by hand: two pieces on each other, or one that leaves the cloth. */
export interface LayFault {
  ids: string[]
  words: string
}

/** A piece that only just touches the border is on the cloth, mm. */
const TOUCH_MM = 0.01

const placed = (l: LaidOnCloth): Point[] => l.polygon.map((p) => add(p, { x: l.xMm, y: l.yMm }))

/** Do two chords cross, each on both sides of the other? */
function crosses(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point) => cross(subtract(q, p), subtract(r, p))
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0
}

function overlap(a: readonly Point[], b: readonly Point[]): boolean {
  const [p, q] = [boundsOfPoints(a), boundsOfPoints(b)]
  if (p.maxX <= q.minX || q.maxX <= p.minX || p.maxY <= q.minY || q.maxY <= p.minY) return false
  if (a.some((from, i) => b.some((other, k) => crosses(from, a[(i + 1) % a.length]!, other, b[(k + 1) % b.length]!)))) return true
  return containsPoint(b, a[0]!) || containsPoint(a, b[0]!)
}

/** Was it moved off the stripe, across the cloth or along it, that it was laid on? */
function hasLeftStripe({ xMm, yMm, laidAt }: LaidOnCloth, { repeatMm, repeatAcrossMm }: Cloth): boolean {
  const isOff = (byMm: number, everyMm: number) => everyMm > 0 && Math.abs(byMm - Math.round(byMm / everyMm) * everyMm) > STRIPE_MM
  return isOff(xMm - laidAt.x, repeatMm) || isOff(yMm - laidAt.y, repeatAcrossMm)
}

/** Everything that is wrong with where pieces lie, in words. */
export function layFaults({ laid, acrossMm, cloth }: Pick<Lay, 'laid' | 'acrossMm' | 'cloth'>): LayFault[] {
  const shapes = laid.map((l) => ({ l, points: placed(l) }))
  const faults: LayFault[] = []
  for (const { l, points } of shapes) {
    const box = boundsOfPoints(points)
    const across = l.isSingle ? usableMm(cloth) : acrossMm
    if (box.minX < -TOUCH_MM || box.minY < -TOUCH_MM || box.maxY > across + TOUCH_MM)
      faults.push({ ids: [l.id], words: `${l.name} leaves the cloth.` })
    if (hasLeftStripe(l, cloth)) faults.push({ ids: [l.id], words: `${l.name} has left its stripe.` })
    if (l.onFold && Math.abs(l.yMm) > TOUCH_MM) faults.push({ ids: [l.id], words: `${l.name} has left the fold.` })
  }
  shapes.forEach((a, i) =>
    shapes.slice(i + 1).forEach((b) => {
      if (overlap(a.points, b.points)) faults.push({ ids: [a.l.id, b.l.id], words: `${a.l.name} lies on ${b.l.name}.` })
    }),
  )
  return faults
}

/** A piece moved by hand: along the cloth, and across it unless it lies on the fold. */
export const movedBy = (l: LaidOnCloth, by: Point): LaidOnCloth => ({
  ...l,
  xMm: Math.max(0, l.xMm + by.x),
  yMm: l.onFold ? l.yMm : l.yMm + by.y,
})

/** A piece turned end for end where it lies; on the fold it is turned over too, so that its fold stays there. */
export function turnedRound(l: LaidOnCloth): LaidOnCloth {
  const box = boundsOfPoints(l.polygon)
  const turn = (p: Point): Point => ({ x: box.maxX - p.x, y: l.onFold ? p.y : box.maxY - p.y })
  return {
    ...l,
    isTurned: !l.isTurned,
    isOver: l.onFold ? !l.isOver : l.isOver,
    cutLine: mapPath(l.cutLine, turn),
    seamLine: mapPath(l.seamLine, turn),
    notches: l.notches.map(turn),
    polygon: l.polygon.map(turn),
  }
}
