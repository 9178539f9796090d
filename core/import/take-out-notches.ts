import { cross, distance, dot, line, measureLength, subtract, tangentAt, unit, type Path, type Point } from '../geometry'
import { SAME_POINT_MM } from '../tolerances'
import { DEG } from '../units'

/** A notch that is cut into an outline is no wider at its mouth, no deeper, and no longer to walk than this, mm. */
const MOUTH_MM = 12

const DEEPEST_MM = 14
const WALK_MM = 40

const LEAST_DEPTH_MM = 1.5
/** Below this mouth it is a slit, mm: out and back on one line. */
const SLIT_MM = 0.8
/** The edge goes on behind it as it came, to within these cosines: the neighbours with each other, and with the mouth. */
const GOES_ON = Math.cos(18 / DEG)
const MOST_PARTS = 5

/** An outline without the notches that were cut into it, and where they were. */
export interface WithoutNotches {
  path: Path
  places: Point[]
}

/** The notch that begins with a part of a closed outline: how many parts it has; null where none begins. */
function notchAt(loop: Path, i: number): number | null {
  const n = loop.length
  const before = loop[(i + n - 1) % n]!
  const start = loop[i]!.from
  let walked = 0
  for (let parts = 1; parts <= Math.min(MOST_PARTS, n - 2); parts++) {
    const s = loop[(i + parts - 1) % n]!
    const long = measureLength([s])
    walked += long
    if (s.kind !== 'line' || walked > WALK_MM) return null
    if (parts < 2) continue
    const end = s.to
    const mouth = distance(start, end)
    if (mouth > MOUTH_MM || walked < mouth + LEAST_DEPTH_MM) continue
    const after = loop[(i + parts) % n]!
    const [came, goes] = [tangentAt(before, 1), tangentAt(after, 0)]
    if (dot(came, goes) < GOES_ON) continue
    const along = mouth > SLIT_MM ? unit(subtract(end, start)) : came
    if (dot(came, along) < GOES_ON) continue
    const depth = Math.max(...Array.from({ length: parts - 1 }, (_, k) => Math.abs(cross(along, subtract(loop[(i + k) % n]!.to, start)))))
    if (depth >= LEAST_DEPTH_MM && depth <= DEEPEST_MM) return parts
  }
  return null
}

/** Takes the notches out of a closed outline that are cut into it as a V, a slit or a little box, and says where they were. */
export function takeOutNotches(loop: Path): WithoutNotches {
  const places: Point[] = []
  let path = loop
  for (let i = 0; i < path.length; i++) {
    const parts = path.length > 4 ? notchAt(path, i) : null
    if (parts === null) continue
    const n = path.length
    // Turned so that the notch stands first: it may lie over the end of the list.
    const turned = [...path.slice(i), ...path.slice(0, i)]
    const [start, end] = [turned[0]!.from, turned[parts - 1]!.to]
    places.push({ x: (start.x + end.x) / 2, y: (start.y + end.y) / 2 })
    const rest = turned.slice(parts)
    const closed = distance(start, end) > SAME_POINT_MM
    const bridged = closed ? [line(start, end), ...rest] : [{ ...rest[0]!, from: start }, ...rest.slice(1)]
    const back = (n - i) % n
    // Back to where the list began, as far as that place is still there.
    const from = Math.max(0, Math.min(bridged.length, back - parts + (closed ? 1 : 0)))
    path = [...bridged.slice(from), ...bridged.slice(0, from)]
    i = Math.max(-1, i - 1)
  }
  return { path, places }
}
