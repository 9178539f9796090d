import { finite, spend } from '../budget'
import { add, dot, leftOf, measureLength, placeAt, scale, subtract, turnRad, unit, type Path, type Point } from '../geometry'
import { DEG } from '../units'
import { fromPlane, mmPerPx, toPlane, type Camera } from './camera'
import { drawEdges, partAtCorners, type SeenEdges } from './draw-smooth'
import { BAND_PX, edgeNear, evenly, outwardOf, smoothed } from './edges'
import type { Pixels } from './pixels'

/** Points along the rim of a paper lie so far apart, dots. */
const STEP_PX = 3

/** The rough rim is off by up to so many dots of the small picture. */
const ROUGH = 1.6

/** The line drawn first is off by up to so many dots. */
const FINE_PX = 5

/** Points to both sides by which a place where no edge is seen, or a wrong one, is told. */
const NEIGHBOURS = 8

/** A place that is so far off what its neighbours say is none of this edge, dots: beside the rough rim, which is no smooth line, and beside one that is. */
const OFF_PX = { rough: 4, drawn: 1 }

/** A corner that turns by less is none, degrees. */
const FLAT_DEG = 10

/** So often it is followed along what was drawn: each time its corners are known better. */
const PASSES = 2

/** Beside a corner an edge is not seen for so many dots: it is read in a band along itself. */
const BLUR_PX = BAND_PX.at(-1)! + 1

/** An edge shorter than so many times that is seen along half of itself, or less. */
const SHORT = 4

/** The rough rim runs round a corner for so many dots of the small picture. */
const ROUND = 1

/**
 * The edges of a paper, followed exactly and drawn, clockwise: first along its rough rim, then along what was drawn by that, whose corners
 * are sharp and whose edges are therefore followed up to them.
 *
 * @param rough its rim as it was found in the small picture, dots of the picture
 * @param small dots for one of the small picture
 */
export function traceRim(pixels: Pixels, rough: readonly Point[], small: number, camera: Camera): Path[] {
  const along = smoothed(evenly(smoothed(rough, 2), STEP_PX), Math.max(2, Math.round(small / 2)))
  const seen = alongRim(pixels, along, ROUGH * small + 2, Math.max(3, small))
  const scaleMm = Math.max(...seen.filter((_, i) => i % 20 === 0).map((p) => mmPerPx(camera, p)))
  const roundMm = (BLUR_PX + ROUND * small) * scaleMm
  const first = partAtCorners(
    seen.map((p) => toPlane(camera, p)),
    roundMm,
  )
  let drawn = drawEdges(first, roundMm)
  for (let pass = 0; pass < PASSES; pass++) {
    const edges = first.isRound ? drawn : withoutFlat(drawn)
    drawn = drawEdges(alongEdges(pixels, edges, first, camera, scaleMm), BLUR_PX * scaleMm)
  }
  return drawn
}

/** Edges that run on into each other are one: their corner was seen where the rough rim runs round the tip of another. */
function withoutFlat(edges: readonly Path[]): Path[] {
  const isFlat = edges.map((edge, k) => {
    const before = edges[(k + edges.length - 1) % edges.length]!
    const turn = turnRad(placeAt(before, measureLength(before)).tangent, placeAt(edge, 0).tangent)
    return Math.abs(turn) * DEG < FLAT_DEG
  })
  const first = isFlat.indexOf(false)
  if (first < 0 || isFlat.filter((flat) => !flat).length < 2) return [...edges]
  const joined: Path[] = []
  for (let i = 0; i < edges.length; i++) {
    const k = (first + i) % edges.length
    if (isFlat[k]) joined.push([...joined.pop()!, ...edges[k]!])
    else joined.push(edges[k]!)
  }
  return joined
}

/**
 * How far corners may be off beyond what the camera is, mm: an edge of which little is seen between its corners does not tell well where it runs.
 * @param scaleMm what a dot covers
 */
export function looseMm(edges: readonly Path[], scaleMm: number): number {
  const blurMm = BLUR_PX * scaleMm
  return edges.some((edge) => measureLength(edge) < SHORT * blurMm) ? blurMm / 2 : 0
}

/** Each point of a rim goes to the edge near to it, unless its neighbours say that this is another edge. */
function alongRim(pixels: Pixels, points: readonly Point[], reachPx: number, smooth: number): Point[] {
  const outward = outwardOf(points, smooth)
  const offs = points.map((p, i) => {
    const at = edgeNear(pixels, p, outward[i]!, reachPx)
    return at ? dot(subtract(at, p), outward[i]!) : null
  })
  const usual = agreed(offs, OFF_PX.rough, (i) => (i + offs.length) % offs.length)
  return points.map((p, i) => add(p, scale(outward[i]!, usual[i]!)))
}

/** Figures along a line, each that is missing or far off its neighbours replaced by their middle. */
function agreed(offs: readonly (number | null)[], limitPx: number, place: (i: number) => number): number[] {
  return offs.map((own, i) => {
    const around = Array.from({ length: 2 * NEIGHBOURS + 1 }, (_, k) => offs[place(i + k - NEIGHBOURS)] ?? null).filter((o) => o !== null)
    if (around.length === 0) return 0
    const middle = around.sort((a, b) => a - b)[around.length >> 1]!
    return own === null || Math.abs(own - middle) > limitPx ? middle : own
  })
}

/** Where the paper ends along edges that were drawn near to it; nothing near to their corners. */
function alongEdges(pixels: Pixels, drawn: readonly Path[], { isRound }: SeenEdges, camera: Camera, scaleMm: number): SeenEdges {
  const near = isRound ? 0 : BLUR_PX * scaleMm
  const edges = drawn.map((edge) => {
    const total = measureLength(edge)
    const skip = Math.min(near, total / 4)
    const count = Math.max(6, Math.round((total - 2 * skip) / (STEP_PX * scaleMm)))
    // By places that were pointed at wrongly an edge runs to infinity.
    spend(finite(count))
    const places = Array.from({ length: count + 1 }, (_, i) => placeAt(edge, skip + ((total - 2 * skip) * i) / count))
    const points = places.map(({ point }) => fromPlane(camera, point))
    const outward = places.map(({ point, tangent }, i) => leftOf(unit(subtract(fromPlane(camera, add(point, tangent)), points[i]!))))
    const offs = points.map((p, i) => {
      const at = edgeNear(pixels, p, outward[i]!, FINE_PX)
      return at ? dot(subtract(at, p), outward[i]!) : null
    })
    const usual = agreed(offs, OFF_PX.drawn, (i) => Math.min(count, Math.max(0, i)))
    return points.map((p, i) => toPlane(camera, add(p, scale(outward[i]!, usual[i]!))))
  })
  return { edges, corners: drawn.map((edge) => edge[0]!.from), isRound }
}
