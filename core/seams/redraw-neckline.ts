import {
  add,
  countInflections,
  cross,
  dot,
  leftOf,
  mapPath,
  measureLength,
  movePath,
  nearestPlace,
  placeAt,
  reversePath,
  scale,
  subtract,
  tangentAt,
  type Path,
  type Point,
} from '../geometry'
import { displaceAlong, type Field } from '../moves'
import { edgePath, findPiece, shapeOf, type Garment, type NotchPlace, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { beginAt } from './begin-at'
import { findNecklines, isStraightNeckline, type Neckline, type NeckShoulder } from './find-necklines'
import { keepNotches } from './keep-notches'
import { angleAtShoulder, backward, halvesOf, lineOf, SQUARE_DEG, type HalfLine } from './neckline-halves'
import { endOf, startOf, walked } from './walked'
import type { Half } from './measure-armhole'
import { DEG } from '../units'

/** How a neckline is redrawn, mm. */
export interface NecklineMove {
  /** Down at the centre, front and back; up when negative. */
  deeperMm: Record<Half, number>
  /** Outward along every shoulder; inward, the shoulder run on toward the neck, when negative. */
  widerMm: number
}

/** What a shoulder or a centre must keep, mm. */
const LEAST_EDGE_MM = 10

/** A half neckline must keep at least this much of its depth and its width, as a part of them: less has no shape left. */
const LEAST_PART = 0.12

/**
 * A half stretched between its two moved ends, as one plane is stretched: it bends nowhere that it did not, and leaves the centre in
 * the direction that it had.
 * @returns null where too little of its depth or its width would be left
 */
function stretched(half: HalfLine, centre: Point, neck: Point): HalfLine | null {
  const path = lineOf(half)
  const { out, down } = half
  const leaving = tangentAt(path[0]!, 0)
  const along = Math.abs(dot(leaving, down)) < Math.sin(SQUARE_DEG / DEG) ? leaving : out
  const area = cross(along, down)
  /** By the two directions, which need not be square. */
  const parts = (p: Point) => ({ u: cross(p, down) / area, v: cross(along, p) / area })
  const [was, is] = [parts(subtract(endOf(path), startOf(path))), parts(subtract(neck, centre))]
  const [wide, deep] = [is.u / was.u, is.v / was.v]
  if (!(wide >= LEAST_PART && deep >= LEAST_PART) || !Number.isFinite(wide + deep)) return null
  const carry = (p: Point): Point => {
    const { u, v } = parts(subtract(p, startOf(path)))
    return add(centre, add(scale(along, wide * u), scale(down, deep * v)))
  }
  return { ...half, stretches: half.stretches.map((s) => ({ ...s, path: mapPath(s.path, carry) })) }
}

/** Over which parts of a half, from the shoulder, its direction there is tried to be turned: the first that bends nowhere anew. */
const REACHES = [1, 0.75, 0.55, 0.4]

/** Leaves the far end at a slope of 1 and is level at the other: u^2 (1 - u), at most 4/27 high. */
const rise = (u: number) => (u <= 0 ? 0 : u * u * (1 - u))

const steepness = (u: number) => (u <= 0 ? 0 : u * (2 - 3 * u))

/** A half whose angle to the shoulder is made larger by so much, rad: both its ends are still, and it leaves the centre as it did. */
function turnedAtShoulder(half: HalfLine, shoulder: Path, byRad: number): HalfLine {
  if (byRad === 0) return half
  const path = lineOf(half)
  const total = measureLength(path)
  const arriving = tangentAt(path[path.length - 1]!, 1)
  const away = scale(leftOf(arriving), dot(leftOf(arriving), tangentAt(shoulder[0]!, 0)) >= 0 ? -1 : 1)
  const slope = Math.tan(byRad)
  const bent = REACHES.map((part): HalfLine => {
    const reach = total * part
    const share = (mm: number) => (mm - total + reach) / reach
    const field: Field = {
      by: (mm) => scale(away, -slope * reach * rise(share(mm))),
      slope: (mm) => scale(away, -slope * steepness(share(mm))),
    }
    let from = 0
    const stretches = half.stretches.map((s) => {
      const offset = from
      from += measureLength(s.path)
      const own: Field = { by: (mm) => field.by(mm + offset), slope: (mm) => field.slope(mm + offset) }
      return { ...s, path: displaceAlong(s.path, own, [total - reach - offset]) }
    })
    return { ...half, stretches }
  })
  const bends = bent.map((b) => countInflections(lineOf(b)))
  return bent[bends.indexOf(Math.min(...bends))]!
}

interface Drawn {
  neckline: Neckline
  shape: Shape
  /** Edges besides the neckline that were cut off, run on or carried. */
  edges: Record<string, Path>
  halves: { was: HalfLine; is: HalfLine; shoulder: Path; angle: { was: number; is: number } }[]
}

/** A neckline stretched between its moved ends. Refuses where the shoulder, the centre or the line itself has not enough for that. */
function draw(neckline: Neckline, shape: Shape, move: NecklineMove): Result<Drawn> {
  const tooMuch = (why: string) => refuse<never>('amount-too-large', `${neckline.piece.name}, neckline`, why, 'Ask for less.')
  const halves = halvesOf(neckline, shape)
  if (!halves) return tooMuch('its middle is not found.')
  const { centre, facing } = neckline
  const edges: Record<string, Path> = {}
  const deeper = move.deeperMm[neckline.half]
  const set = (run: NeckShoulder, path: Path) => {
    edges[run.edgeId] = run.reversed ? reversePath(path) : path
  }
  const first = startOf(lineOf(halves[0]!))
  let middle = add(first, scale(halves[0]!.down, deeper))
  if (centre) {
    const was = walked(shape, centre)
    const is = facing ? movePath(was, subtract(middle, first)) : beginAt(was, deeper, LEAST_EDGE_MM)
    if (!is) return tooMuch('its centre is too short for that.')
    set(centre, is)
    middle = startOf(is)
  }
  const drawn: Drawn['halves'] = []
  for (const half of halves) {
    const was = walked(shape, half.shoulder)
    const begun = beginAt(was, move.widerMm, facing ? -Infinity : LEAST_EDGE_MM)
    if (!begun) return tooMuch('its shoulder is too short for that.')
    const is = facing ? movePath(was, subtract(startOf(begun), startOf(was))) : begun
    set(half.shoulder, is)
    const line = stretched(half, middle, startOf(is))
    if (!line) return tooMuch('it would end at the shoulder no higher than it lies at the centre: it must become deeper there too.')
    drawn.push({ was: half, is: line, shoulder: is, angle: { was: angleAtShoulder(half, was), is: angleAtShoulder(line, is) } })
  }
  return ok({ neckline, shape, edges, halves: drawn })
}

/** The line of each edge after its stretches were redrawn. */
function edgesOf(neckline: Neckline, halves: readonly HalfLine[]): Record<string, Path> {
  const [last, first] = halves
  const inOrder = [...(first ? backward(first.stretches) : []), ...last!.stretches]
  const edges: Record<string, Path> = {}
  for (const run of neckline.runs) {
    const own = inOrder.filter((s) => s.edgeId === run.edgeId).flatMap((s) => [...s.path])
    edges[run.edgeId] = run.reversed ? reversePath(own) : own
  }
  return edges
}

/** The other edges of a facing, carried as the nearest place of its neckline was. */
function outerEdges({ neckline, shape, edges }: Drawn, was: Path, is: Path): Record<string, Path> {
  const [wasMm, isMm] = [measureLength(was), measureLength(is)]
  const gone = (p: Point): Point => {
    const { lengthMm } = nearestPlace(was, p)
    return subtract(placeAt(is, (lengthMm / wasMm) * isMm).point, placeAt(was, lengthMm).point)
  }
  const others = neckline.piece.edges.filter((e) => !(e.id in edges) && !neckline.runs.some((r) => r.edgeId === e.id))
  return Object.fromEntries(
    others.map((e) => {
      const path = edgePath(shape, e.id)
      const by = (mm: number) => gone(placeAt(path, mm).point)
      const total = measureLength(path)
      const step = total * SLOPE_PART
      const slope = (mm: number) => {
        const [a, b] = [Math.max(0, mm - step), Math.min(total, mm + step)]
        return scale(subtract(by(b), by(a)), 1 / (b - a))
      }
      return [e.id, displaceAlong(path, { by, slope })]
    }),
  )
}

/** The part of an edge over which it is measured how fast its displacement grows. */
const SLOPE_PART = 0.02

/** Two necklines meet across a shoulder where one seam joins both of their shoulders. */
function meetAtShoulder(garment: Garment, a: Drawn, b: Drawn): boolean {
  const isOf = (d: Drawn, run: { pieceId: string; edgeId: string }) =>
    run.pieceId === d.neckline.piece.id && d.halves.some((h) => h.was.shoulder.edgeId === run.edgeId)
  return garment.seams.some(({ sides }) =>
    ([0, 1] as const).some((s) => sides[s].some((r) => isOf(a, r)) && sides[s === 0 ? 1 : 0].some((r) => isOf(b, r))),
  )
}

/**
 * The necklines of a garment redrawn in one size (craft 6.13): deeper or higher at the centre, wider or narrower along the shoulders.
 * Each half is stretched between its moved ends, so that it is as square to the centre as it was and bends nowhere that it did not;
 * then both are turned at the shoulder until front and back run on into each other as before. A straight neckline stays
 * straight. A facing is carried with its neckline and keeps its width.
 *
 * Refuses: no neckline that can be redrawn (as findNecklines), a centre, shoulder or neckline that is too short for that.
 */
export function redrawNecklines(garment: Garment, sizeId: string, move: NecklineMove): Result<Garment> {
  const found = findNecklines(garment)
  if (!found.ok) return found
  const moved = found.value.filter((n) => move.deeperMm[n.half] !== 0 || move.widerMm !== 0)
  const drawn: Drawn[] = []
  for (const neckline of moved) {
    const one = draw(neckline, shapeOf(neckline.piece, sizeId), move)
    if (!one.ok) return one
    drawn.push(one.value)
  }
  const isCurved = (d: Drawn) => !isStraightNeckline(d.neckline, sizeId)
  const lost = ({ halves: [half] }: Drawn) => half!.angle.was - half!.angle.is
  /** What a neckline is turned at the shoulder: its share of what it and its partner have lost together. */
  const turnOf = (d: Drawn): number => {
    if (!isCurved(d)) return 0
    const body = d.neckline.facing ? drawn.find((o) => !o.neckline.facing && o.neckline.half === d.neckline.half) : undefined
    if (body && body !== d) return turnOf(body)
    const partner = drawn.find((o) => o !== d && o.neckline.facing === d.neckline.facing && meetAtShoulder(garment, d, o))
    if (!partner) return lost(d)
    return (lost(d) + lost(partner)) / (isCurved(partner) ? 2 : 1)
  }
  let after = garment
  for (const one of drawn) {
    const by = turnOf(one)
    const halves = one.halves.map((h) => turnedAtShoulder(h.is, h.shoulder, by))
    const necks = edgesOf(one.neckline, halves)
    const others = one.neckline.facing ? outerEdges(one, lineOf(one.halves[0]!.was), lineOf(halves[0]!)) : {}
    after = withNeckline(after, one, sizeId, { ...one.edges, ...necks, ...others })
  }
  return ok(after)
}

/** The piece with its edges redrawn: notches of the shoulder and the centre stay where they were, those of the neckline go along. */
function withNeckline(garment: Garment, { neckline, halves }: Drawn, sizeId: string, redrawn: Record<string, Path>): Garment {
  const own = findPiece(garment, neckline.piece.id)!
  const shape = shapeOf(own, sizeId)
  const edges = { ...shape.edges, ...redrawn }
  const cut = [...halves.map((h) => h.was.shoulder), ...(neckline.centre ? [neckline.centre] : [])]
  const still = neckline.facing ? 'first' : 'last'
  const kept = keepNotches(
    own,
    shape,
    edges,
    cut.map((c) => ({ ...c, still })),
  )
  const along = own.notches.flatMap((n): [string, NotchPlace][] => {
    if (!neckline.runs.some((r) => r.edgeId === n.edgeId)) return []
    const place = shape.notches[n.id]!
    const stretch = measureLength(edges[n.edgeId]!) / measureLength(edgePath(shape, n.edgeId))
    return [[n.id, { ...place, distanceMm: place.distanceMm * stretch }]]
  })
  const is: Shape = { ...shape, edges, notches: { ...kept, ...Object.fromEntries(along) } }
  return { ...garment, pieces: garment.pieces.map((p) => (p === own ? { ...p, shapes: { ...p.shapes, [sizeId]: is } } : p)) }
}
