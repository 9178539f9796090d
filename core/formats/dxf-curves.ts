import { spend } from '../budget'
import { cubic, line, type Path, type Point, type Segment } from '../geometry'

/** An arc of more than this is drawn as several cubics, rad: each then runs within 3 parts in 100 000 of its radius. */
const ARC_STEP_RAD = Math.PI / 4

/**
 * An arc of an ellipse as cubics.
 * @param axes half axes as vectors: the arc is centre + cos(a) first + sin(a) second
 */
export function ellipseArc(centre: Point, axes: [Point, Point], fromRad: number, toRad: number): Path {
  const sweep = toRad - fromRad
  const n = Math.max(1, Math.ceil(Math.abs(sweep) / ARC_STEP_RAD))
  const step = sweep / n
  // Handles of a cubic that follows an arc: 4/3 tan(step / 4).
  const k = (4 / 3) * Math.tan(step / 4)
  const [u, v] = axes
  const at = (a: number): Point => ({
    x: centre.x + Math.cos(a) * u.x + Math.sin(a) * v.x,
    y: centre.y + Math.cos(a) * u.y + Math.sin(a) * v.y,
  })
  const along = (a: number): Point => ({ x: -Math.sin(a) * u.x + Math.cos(a) * v.x, y: -Math.sin(a) * u.y + Math.cos(a) * v.y })
  return Array.from({ length: n }, (_, i): Segment => {
    const [a, b] = [fromRad + i * step, fromRad + (i + 1) * step]
    const [p, q, dp, dq] = [at(a), at(b), along(a), along(b)]
    return cubic(p, { x: p.x + k * dp.x, y: p.y + k * dp.y }, { x: q.x - k * dq.x, y: q.y - k * dq.y }, q)
  })
}

export const circleArc = (centre: Point, radius: number, fromRad: number, toRad: number): Path =>
  ellipseArc(
    centre,
    [
      { x: radius, y: 0 },
      { x: 0, y: radius },
    ],
    fromRad,
    toRad,
  )

/** A part of a polyline that bulges: the bulge is the tangent of a quarter of its angle, to the left when positive. */
export function bulged(from: Point, to: Point, bulge: number): Path {
  if (bulge === 0) return [line(from, to)]
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const chord = Math.hypot(dx, dy)
  if (chord === 0) return []
  const sweep = 4 * Math.atan(bulge)
  const radius = chord / (2 * Math.sin(sweep / 2))
  const high = radius * Math.cos(sweep / 2)
  const centre = { x: (from.x + to.x) / 2 - (dy / chord) * high, y: (from.y + to.y) / 2 + (dx / chord) * high }
  const begin = Math.atan2(from.y - centre.y, from.x - centre.x)
  return circleArc(centre, Math.abs(radius), begin, begin + sweep)
}

/** A polyline of vertices that may bulge toward the next. */
export function polyline(vertices: readonly (Point & { bulge?: number })[], closed: boolean): Path {
  const n = vertices.length
  return Array.from({ length: closed ? n : n - 1 }, (_, i) => {
    const [a, b] = [vertices[i]!, vertices[(i + 1) % n]!]
    return bulged(a, b, a.bulge ?? 0)
  }).flat()
}

/** Splines of a higher degree than this are drawn by their points: no drawing program writes them. */
const HIGHEST_DEGREE = 11

/** Places looked at between two knots of a spline that is no plain cubic one. */
const SPAN_PLACES = 16

/** A point of a B-spline by de Boor's scheme. */
function deBoor(degree: number, knots: readonly number[], points: readonly Point[], t: number): Point {
  let k = degree
  while (k < points.length - 1 && t >= knots[k + 1]!) k += 1
  const d = Array.from({ length: degree + 1 }, (_, j) => points[k - degree + j]!)
  for (let r = 1; r <= degree; r++)
    for (let j = degree; j >= r; j--) {
      const low = knots[k - degree + j]!
      const wide = knots[k + j - r + 1]! - low
      const part = wide === 0 ? 0 : (t - low) / wide
      d[j] = { x: (1 - part) * d[j - 1]!.x + part * d[j]!.x, y: (1 - part) * d[j - 1]!.y + part * d[j]!.y }
    }
  return d[degree]!
}

/** A cubic B-spline in Bezier parts, by putting each inner knot in until it stands three times (Boehm). */
function cubicParts(knots: readonly number[], points: readonly Point[]): Path {
  const k = [...knots]
  const p = [...points]
  const timesOf = (t: number) => k.filter((x) => x === t).length
  for (const t of [...new Set(knots)])
    while (t > k[3]! && t < k[k.length - 4]! && timesOf(t) < 3) {
      spend(p.length)
      let at = 0
      while (!(k[at]! <= t && t < k[at + 1]!)) at += 1
      const next = Array.from({ length: p.length + 1 }, (_, i) => {
        if (i <= at - 3) return p[i]!
        if (i > at) return p[i - 1]!
        const part = (t - k[i]!) / (k[i + 3]! - k[i]!)
        return { x: (1 - part) * p[i - 1]!.x + part * p[i]!.x, y: (1 - part) * p[i - 1]!.y + part * p[i]!.y }
      })
      k.splice(at + 1, 0, t)
      p.splice(0, p.length, ...next)
    }
  return Array.from({ length: Math.floor((p.length - 1) / 3) }, (_, i) => cubic(p[3 * i]!, p[3 * i + 1]!, p[3 * i + 2]!, p[3 * i + 3]!))
}

/**
 * A spline as lines and cubics: a cubic one that begins and ends at its end points exactly, any other through points on it;
 * one that gives only the points it runs through is drawn straight between them.
 */
export function spline(degree: number, knots: readonly number[], points: readonly Point[], through: readonly Point[]): Path {
  const ruled = (list: readonly Point[]): Path => list.slice(1).map((q, i) => line(list[i]!, q))
  if (points.length <= degree || degree < 1 || degree > HIGHEST_DEGREE || knots.length !== points.length + degree + 1)
    return ruled(through.length > 1 ? through : points)
  const isOrdered = knots.every((x, i) => i === 0 || x >= knots[i - 1]!)
  if (!isOrdered) return ruled(points)
  const [from, to] = [knots[degree]!, knots[points.length]!]
  const isClamped = knots[0] === from && knots[knots.length - 1] === to
  if (degree === 3 && isClamped) return cubicParts(knots, points)
  const spans = [...new Set(knots.filter((t) => t >= from && t <= to))]
  const places = spans
    .slice(1)
    .flatMap((t, i) => Array.from({ length: SPAN_PLACES }, (_, j) => spans[i]! + ((t - spans[i]!) * j) / SPAN_PLACES))
  return ruled([...places, to].map((t) => deBoor(degree, knots, points, t)))
}
