import type { CrotchCurve } from '../core/body'
import { measureLength, placeAt, rotateAbout, type Path, type Point } from '../core/geometry'
import type { Garment } from '../core/pattern'
import { crotchOf, layCrotch } from '../core/seams'
import { SIZE } from './draft-piece'

/** How much deeper the made-up body lies than the draft, mm: in the middle of the front, and of the back. */
const FRONT_DEEPER = 8
const BACK_DEEPER = 17
/** How far a hand's reading wavers, mm, and how fast along it. */
const WAVER = 1.6
const STEP_MM = 12

/** A half of the crotch line with the body's own curve below it: as much deeper as a bow over the line's second half. */
function bodyHalf(path: Path, deeperMm: number, phase: number, into: 1 | -1): Point[] {
  const total = measureLength(path)
  const count = Math.round(total / STEP_MM)
  return Array.from({ length: count + 1 }, (_, i) => {
    const u = i / count
    const { point, tangent } = placeAt(path, u * total)
    const deep = deeperMm * Math.sin(Math.PI * u ** 1.3) ** 2 * (0.4 + u) + WAVER * Math.sin(i * 1.7 + phase) * Math.sin(Math.PI * u)
    return { x: point.x - tangent.y * deep * into, y: point.y + tangent.x * deep * into }
  })
}

/**
 * Three readings of a made-up body by a flexible curve, each laid on paper at its own slant: made from the crotch line of a draft and a
 * deeper seat, so that the tapered trousers have something to be scooped by.
 */
export function crotchReadings(garment: Garment, takenOn: string): CrotchCurve[] {
  const crotch = crotchOf(garment)
  if (!crotch.ok) throw new Error(crotch.problem.message)
  const laid = layCrotch(garment, crotch.value, SIZE)
  const back = [...laid.backPath]
    .reverse()
    .map((s) => (s.kind === 'line' ? { ...s, from: s.to, to: s.from } : { ...s, from: s.to, c1: s.c2, c2: s.c1, to: s.from }))
  const into = crotch.value.front.runs[0]!.reversed ? -1 : 1
  return [0, 1, 2].map((k): CrotchCurve => {
    const front = bodyHalf(laid.frontPath, FRONT_DEEPER, k * 2.1, into)
    const behind = bodyHalf(back, BACK_DEEPER, k * 1.3 + 1, into === 1 ? -1 : 1).reverse()
    const turn = (p: Point) => rotateAbout(p, { x: 0, y: 0 }, 0.2 + k * 0.35)
    const points = [...front, ...behind.slice(1)].map((p) => {
      const q = turn(p)
      return { x: Math.round(q.x * 10) / 10, y: Math.round(q.y * 10) / 10 }
    })
    return { id: `crotch-${k + 1}`, takenOn, note: `reading ${k + 1}`, points, inseam: front.length - 1 }
  })
}
