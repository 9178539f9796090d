import { figureMm, type MeasureSet } from '../body'
import { add, cubic, line, scale, subtract, type Path, type Point } from '../geometry'
import type { View } from './hang-pieces'

/** Levels of a body, mm below its waist: above it when negative. */
export interface BodyLevels {
  /** Shoulder at the neck, in front; the nape, at the back. */
  top: number
  underarm: number
  bust: number
  waist: 0
  hip: number
  knee: number
}

/** A figure as flat as paper, seen from one side: a half outline from the neck down, middle at x = 0, the waist at y = 0, mm. */
export interface BodyFigure {
  view: View
  /** To the right of the middle; the other half is its mirror image. */
  half: Path
  levels: BodyLevels
  /** A quarter of the round measure at each level: as wide as a quarter of the garment would have to be to touch it. */
  quarterMm: { bust: number; waist: number; hip: number }
  /** The end of the shoulder. */
  shoulderEnd: Point
  /** Measures that were not taken, and are drawn as they usually are. */
  guessed: string[]
}

/** What a figure is drawn with where a measure was not taken, mm, and how it goes with the bust. Our own figures. */
const USUAL: Record<string, (bustMm: number) => number> = {
  bust: () => 940,
  'high-bust': (b) => b - 40,
  waist: (b) => b * 0.82,
  hip: (b) => b * 1.05,
  neck: (b) => b * 0.39,
  knee: (b) => b * 0.4,
  shoulder: () => 122,
  'back-neck-to-waist': () => 408,
  'front-to-waist': () => 435,
  'underarm-to-waist': () => 195,
  'waist-to-hip': () => 205,
  'waist-to-knee': () => 590,
}

/** The bust lies this far below the arm, mm; no measure tells it. */
const BUST_BELOW_ARM_MM = 45
/** How much the shoulder falls from the neck to its end, as a part of its length: about 21 degrees. */
const FALL = 0.36
/** Half of the neck's width as a part of the round measure. */
const NECK_PART = 0.155
/** Below the hip the legs begin, mm. */
const CROTCH_BELOW_HIP_MM = 75

/** A smooth line through points (Catmull and Rom: each tangent lies along its neighbours' chord). */
function smoothThrough(points: readonly Point[]): Path {
  return points.slice(1).map((to, i) => {
    const from = points[i]!
    const before = points[Math.max(0, i - 1)]!
    const after = points[Math.min(points.length - 1, i + 2)]!
    return cubic(from, add(from, scale(subtract(to, before), 1 / 6)), subtract(to, scale(subtract(after, from), 1 / 6)), to)
  })
}

/**
 * A wearer's figure with the wearer's own levels and widths, as flat as the pieces that are hung on it: at every level it is a quarter
 * of the round measure wide to each side, so that what a piece reaches beyond it is a quarter of the ease (craft 9, tissue fitting).
 */
export function bodyFigure(set: MeasureSet | null, view: View): BodyFigure {
  const guessed: string[] = []
  const bustMm = figureMm(set, 'bust') ?? USUAL.bust!(0)
  const mm = (id: string): number => {
    const own = figureMm(set, id)
    if (own === undefined) guessed.push(id)
    return own ?? USUAL[id]!(bustMm)
  }
  const top = -mm(view === 'front' ? 'front-to-waist' : 'back-neck-to-waist')
  const underarm = -mm('underarm-to-waist')
  const hip = mm('waist-to-hip')
  const levels: BodyLevels = {
    top,
    underarm,
    bust: underarm + BUST_BELOW_ARM_MM,
    waist: 0,
    hip,
    knee: Math.max(mm('waist-to-knee'), hip + 200),
  }
  const quarterMm = { bust: mm('bust') / 4, waist: mm('waist') / 4, hip: mm('hip') / 4 }
  const neckX = mm('neck') * NECK_PART
  const shoulder = mm('shoulder')
  const neckAt = { x: neckX, y: top }
  const shoulderEnd = { x: neckX + shoulder * Math.sqrt(1 - FALL * FALL), y: top + shoulder * FALL }
  const underAt = { x: mm('high-bust') / 4, y: underarm }
  const armX = Math.min(shoulderEnd.x, underAt.x) - 8
  const kneeHalf = mm('knee') / 4
  const legX = quarterMm.hip * 0.52
  const crotchY = hip + CROTCH_BELOW_HIP_MM
  const armhole = smoothThrough([shoulderEnd, { x: armX, y: (shoulderEnd.y + underAt.y) / 2 }, underAt])
  const side = smoothThrough([
    underAt,
    { x: quarterMm.bust, y: levels.bust },
    { x: quarterMm.waist, y: 0 },
    { x: quarterMm.hip, y: hip },
    { x: quarterMm.hip * 0.96, y: crotchY },
    { x: legX + kneeHalf, y: levels.knee },
    { x: legX + kneeHalf * 1.06, y: levels.knee + 90 },
  ])
  const inner = smoothThrough([
    { x: legX - kneeHalf * 1.02, y: levels.knee + 90 },
    { x: legX - kneeHalf, y: levels.knee },
    { x: 4, y: crotchY + 12 },
    { x: 0, y: crotchY },
  ])
  const low = side[side.length - 1]!.to
  const neckTop = { x: neckX * 0.92, y: top - 52 }
  return {
    view,
    half: [
      line({ x: 0, y: neckTop.y }, neckTop),
      line(neckTop, neckAt),
      line(neckAt, shoulderEnd),
      ...armhole,
      ...side,
      line(low, inner[0]!.from),
      ...inner,
    ],
    levels,
    quarterMm,
    shoulderEnd,
    guessed,
  }
}
