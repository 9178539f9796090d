import { add, dot, scale, subtract, type Path, type Point, type Segment } from '../../geometry'
import { SAME_POINT_MM } from '../../tolerances'
import { easeIn } from './redraw-moved'

/** A place inside an edge that has a displacement of its own. */
export interface DisplaceStation {
  /** How far along the edge it lies, 0 to 1, measured along `measured`. */
  at: number
  by: Point
}

/** Part of the way beyond a station over which its displacement turns into the slope toward the end. */
const ROUNDING = 0.12

export interface DisplaceOptions {
  /** The part square to the measured direction begins and ends level, so that the ends keep their directions. */
  eased?: boolean
  station?: DisplaceStation
}

/**
 * Moves a path so that its ends go by given vectors and everything between in proportion (craft 6.5), the proportion
 * measured along one direction. In that direction the proportion is plain, so a place keeps its share of the way and
 * moving back by the same vectors returns the path exactly. Handles follow the slope at their node: smooth joins stay
 * smooth and curves keep their kind.
 *
 * @param measured unit direction along which the proportion is measured; the path must get on in it
 * @param startBy, endBy displacement of the two ends, mm
 */
export function displacePath(path: Path, measured: Point, startBy: Point, endBy: Point, options: DisplaceOptions = {}): Path {
  const from = path[0]!.from
  const span = dot(subtract(path[path.length - 1]!.to, from), measured)
  if (Math.abs(span) <= SAME_POINT_MM)
    return path.map((s) =>
      moveSegment(
        s,
        () => startBy,
        () => ({ x: 0, y: 0 }),
      ),
    )
  const share = (p: Point) => dot(subtract(p, from), measured) / span
  const { by, slope } = options.station
    ? throughStation(startBy, endBy, options.station)
    : options.eased
      ? eased(startBy, endBy, measured)
      : plain(startBy, endBy)
  // A handle is carried by the map's slope at its node: the displacement grows by slope per unit of share.
  return path.map((s) =>
    moveSegment(
      s,
      (p) => by(share(p)),
      (node, handle) => scale(slope(share(node)), dot(subtract(handle, node), measured) / span),
    ),
  )
}

function moveSegment(s: Segment, by: (p: Point) => Point, tilt: (node: Point, handle: Point) => Point): Segment {
  const from = add(s.from, by(s.from))
  const to = add(s.to, by(s.to))
  if (s.kind === 'line') return { kind: 'line', from, to }
  const c1 = add(from, add(subtract(s.c1, s.from), tilt(s.from, s.c1)))
  const c2 = add(to, add(subtract(s.c2, s.to), tilt(s.to, s.c2)))
  return { kind: 'cubic', from, c1, c2, to }
}

/** Displacement at a share of the way, and how fast it grows there. */
interface Profile {
  by: (u: number) => Point
  slope: (u: number) => Point
}

function plain(startBy: Point, endBy: Point): Profile {
  const whole = subtract(endBy, startBy)
  return { by: (u) => add(startBy, scale(whole, u)), slope: () => whole }
}

function eased(startBy: Point, endBy: Point, measured: Point): Profile {
  const whole = subtract(endBy, startBy)
  const along = scale(measured, dot(whole, measured))
  const aside = subtract(whole, along)
  const level = (u: number) => (u <= 0 || u >= 1 ? 0 : 6 * u * (1 - u))
  return {
    by: (u) => add(startBy, add(scale(along, u), scale(aside, easeIn(u)))),
    slope: (u) => add(along, scale(aside, level(u))),
  }
}

/** Straight toward the station's vector, then smoothly into a straight way to the end's. */
function throughStation(startBy: Point, endBy: Point, station: DisplaceStation): Profile {
  const { at } = station
  const first = scale(subtract(station.by, startBy), 1 / at)
  // Beyond the station the slope goes from `first` to `second` over a width, then stays; it must arrive at the end's.
  const width = Math.min(2 * ROUNDING, 1 - at)
  const left = 1 - at
  const second = scale(subtract(subtract(endBy, station.by), scale(first, width / 2)), 1 / (left - width / 2))
  const change = scale(subtract(second, first), 1 / width)
  const by = (u: number): Point => {
    if (u <= at) return add(startBy, scale(first, u))
    const w = Math.min(u - at, width)
    const rounded = add(station.by, add(scale(first, w), scale(change, (w * w) / 2)))
    return add(rounded, scale(second, Math.max(0, u - at - width)))
  }
  const slope = (u: number): Point => (u <= at ? first : add(first, scale(change, Math.min(u - at, width))))
  return { by, slope }
}
