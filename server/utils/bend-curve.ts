import { z } from 'zod'
import { diceOf } from '../../core/dice'

const Mm = (least: number, most: number, usual: number) => z.coerce.number().min(least).max(most).default(usual)

/** How the simulated curve is bent, mm; `waver` is how unsteady the hand is, `seed` which of its readings this is. */
export const BendSchema = z.object({
  frontDrop: Mm(150, 400, 270),
  backRise: Mm(0, 120, 35),
  depth: Mm(120, 320, 200),
  seat: Mm(0, 80, 30),
  waver: Mm(0, 10, 1.5),
  seed: z.coerce.number().int().min(0).max(1_000_000).default(1),
})
export type Bend = z.infer<typeof BendSchema>

type Point = [number, number]

/** A place on a cubic curve (de Casteljau, written out). */
const onCubic = (a: Point, b: Point, c: Point, d: Point, t: number): Point => {
  const u = 1 - t
  const [p, q, r, s] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t]
  return [p * a[0] + q * b[0] + r * c[0] + s * d[0], p * a[1] + q * b[1] + r * c[1] + s * d[1]]
}

const STEPS = 24
/** How much of the way from front to back the inseam lies. */
const INSEAM_PART = 0.36

/**
 * A made body’s crotch as a flexible curve along it would say it: down the belly, under the legs, round the seat and up the back; each
 * reading lies at its own slant, and wavers.
 */
export function bendCurve({ frontDrop, backRise, depth, seat, waver, seed }: Bend): { unit: 'mm'; inseam: number; points: Point[] } {
  // Evenly between -1 and 1.
  const dice = diceOf(seed)
  const roll = () => 2 * dice() - 1
  const inseam: Point = [depth * INSEAM_PART, frontDrop]
  const front = Array.from({ length: STEPS + 1 }, (_, i) =>
    onCubic([0, 0], [-6, frontDrop * 0.62], [depth * 0.04, frontDrop], inseam, i / STEPS),
  )
  const back = Array.from({ length: STEPS + 1 }, (_, i) =>
    onCubic(inseam, [depth * 0.86, frontDrop + seat * 0.3], [depth + seat, frontDrop * 0.66], [depth * 0.92, -backRise], i / STEPS),
  )
  const slant = roll() * 0.6
  const [c, s] = [Math.cos(slant), Math.sin(slant)]
  const points = [...front, ...back.slice(1)].map(([x, y]): Point => {
    const [px, py] = [x + roll() * waver, y + roll() * waver]
    return [px * c - py * s, px * s + py * c].map((mm) => Math.round(mm * 10) / 10) as Point
  })
  return { unit: 'mm', inseam: STEPS, points }
}
