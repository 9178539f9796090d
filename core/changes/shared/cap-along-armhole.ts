import {
  add,
  applyAffine,
  chain,
  cutPath,
  IDENTITY,
  line,
  mapPath,
  measureLength,
  norm,
  placeAt,
  reversePath,
  rotateAbout,
  scale,
  subtract,
  tangentAt,
  turnAbout,
  turnRad,
  type Affine,
  type Path,
  type Point,
} from '../../geometry'
import { DEFAULT_TOLERANCES, walkSeam } from '../../match'
import { edgePath, findPiece, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { armholesWithSleeve, topMark } from '../../seams'
import { SAME_POINT_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import type { SewnPicture } from '../types'

/** Ticks at marks reach so far to each side of their line, mm. */
const TICK_MM = 5
/** Words stand so far beside the armhole, on the body, mm. */
const WORDS_BESIDE_MM = 22
const WORDS_BROADER_MM = 28
/** Which half it is stands under each end. */
const WORDS_BELOW = { x: 0, y: 18 }
/** A stretch of less than this is not written on, mm. */
const LEAST_STRETCH_MM = 15

const MIRROR: Affine = { ...IDENTITY, a: -1 }
const leftOf = (direction: Point): Point => ({ x: direction.y, y: -direction.x })
const endOf = (path: Path) => path[path.length - 1]!
const carried = (path: Path, m: Affine): Path => mapPath(path, (p) => applyAffine(m, p))

/**
 * The edges of one side of a seam as they are sewn: each begins where the one before it ends, running on from it where they lie on
 * different pieces or a dart is between them.
 * @param over turn the first one over; others are turned over where they are walked the other way round
 */
function asOneLine(garment: Garment, runs: readonly RunEdge[], over: boolean, sizeId: string): Path {
  return runs.reduce<Path>((sewn, run) => {
    const own = edgePath(shapeOf(findPiece(garment, run.pieceId)!, sizeId), run.edgeId)
    const flip = (run.reversed !== runs[0]!.reversed) !== over ? MIRROR : IDENTITY
    const path = carried(run.reversed ? reversePath(own) : own, flip)
    if (sewn.length === 0) return path
    const last = endOf(sewn)
    const isThere = norm(subtract(path[0]!.from, last.to)) <= SAME_POINT_MM
    const turn = isThere ? 0 : turnRad(tangentAt(path[0]!, 0), tangentAt(last, 1))
    const by = subtract(last.to, path[0]!.from)
    return [...sewn, ...mapPath(path, (p) => add(rotateAbout(p, path[0]!.from, turn), by))]
  }, [])
}

/** A stretch of the cap on its stretch of the armhole: from the end that lies nearer to the underarm, in the direction of the other. */
function laidOn(cap: Path, armhole: Path, from: 'start' | 'end'): Path {
  const ends = (path: Path) => (from === 'start' ? [path[0]!.from, endOf(path).to] : [endOf(path).to, path[0]!.from]) as [Point, Point]
  const [[a, b], [p, q]] = [ends(armhole), ends(cap)]
  const turned = turnAbout(p, turnRad(subtract(q, p), subtract(b, a)))
  const by = subtract(a, p)
  return carried(cap, { ...turned, e: turned.e + by.x, f: turned.f + by.y })
}

/** A short line across a path at a length along it. */
function tickAt(path: Path, atMm: number): Path {
  const { point, tangent } = placeAt(path, atMm)
  const across = scale(leftOf(tangent), TICK_MM)
  return [line(subtract(point, across), add(point, across))]
}

/**
 * The cap laid along the armhole from mark to mark, each stretch from its end nearer to the underarm, so that what goes beyond the
 * next mark is what has to be eased in there; the ease of every stretch is written beside it.
 *
 * @returns none for a garment without a sleeve that is sewn in
 */
export function capAlongArmhole(garment: Garment, sizeId: string): SewnPicture[] {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return []
  const [pair] = pairs.value
  const { seam, side } = pair!.sleeve
  const body = side === 0 ? 1 : 0
  const [bodyRuns, capRuns] = [seam.sides[body], seam.sides[side]]
  const armhole = asOneLine(garment, bodyRuns, false, sizeId)
  // Right sides together: the sleeve lies on the body, on the same side of the line.
  const cap = asOneLine(garment, capRuns, capRuns[0]!.reversed !== bodyRuns[0]!.reversed, sizeId)
  const walked = walkSeam(garment, seam, sizeId, DEFAULT_TOLERANCES)
  const top = topMark(garment, pair!)
  const stops = [
    { armholeMm: 0, capMm: 0, isTop: false },
    ...walked.marks.map(({ pair: marks, firstMm, secondMm }) => ({
      armholeMm: side === 0 ? secondMm : firstMm,
      capMm: side === 0 ? firstMm : secondMm,
      isTop: top !== null && marks[side] === top.cap,
    })),
    { armholeMm: measureLength(armhole), capMm: measureLength(cap), isTop: false },
  ]
  const topAt = stops.findIndex((s) => s.isTop)
  const upright = levelled(armhole)
  const bodyIsLeft = bodyRuns[0]!.reversed !== upright.isOver
  const strokes: SewnPicture['strokes'] = [{ path: carried(armhole, upright.by), kind: 'is' }]
  const labels: SewnPicture['labels'] = []
  for (const [i, stop] of stops.entries()) {
    strokes.push({ path: carried(tickAt(armhole, stop.armholeMm), upright.by), kind: 'seam' })
    const before = stops[i - 1]
    if (!before || stop.armholeMm - before.armholeMm < SAME_POINT_MM || stop.capMm - before.capMm < SAME_POINT_MM) continue
    const stretch = cutPath(armhole, before.armholeMm, stop.armholeMm)
    const from = topAt < 0 || i <= topAt ? 'start' : 'end'
    const laid = laidOn(cutPath(cap, before.capMm, stop.capMm), stretch, from)
    strokes.push({ path: carried(laid, upright.by), kind: 'cap' })
    strokes.push({ path: carried(tickAt(laid, from === 'start' ? measureLength(laid) : 0), upright.by), kind: 'cap' })
    const isMm = stop.armholeMm - before.armholeMm
    if (isMm < LEAST_STRETCH_MM) continue
    const { point, tangent } = placeAt(carried(stretch, upright.by), isMm / 2)
    const outward = scale(leftOf(tangent), bodyIsLeft ? 1 : -1)
    // Words are broader than they are high.
    const besideMm = WORDS_BESIDE_MM + WORDS_BROADER_MM * Math.abs(outward.x)
    labels.push({ at: add(point, scale(outward, besideMm)), text: `ease ${lengthToken(stop.capMm - before.capMm - isMm)}` })
  }
  const sewn = carried(armhole, upright.by)
  const { beginsAt } = pair!.sleeve
  labels.push({ at: add(sewn[0]!.from, WORDS_BELOW), text: beginsAt })
  labels.push({ at: add(endOf(sewn).to, WORDS_BELOW), text: beginsAt === 'front' ? 'back' : 'front' })
  return [{ title: 'As sewn: the cap along the armhole, with its ease from mark to mark', strokes, labels }]
}

/** How a line is turned, and where it hangs down turned over, so that its ends are level and its middle stands above them. */
function levelled(path: Path): { by: Affine; isOver: boolean } {
  const [from, to] = [path[0]!.from, endOf(path).to]
  const turned = turnAbout(from, turnRad(subtract(to, from), { x: 1, y: 0 }))
  const middle = applyAffine(turned, placeAt(path, measureLength(path) / 2).point)
  const isOver = middle.y > from.y
  return { by: isOver ? chain({ ...IDENTITY, d: -1 }, turned) : turned, isOver }
}
