import { mapSegment, reverseSegment } from './segment'
import type { Path, Point } from './types'
import { rotateAbout } from './vector'

/** x' = a x + c y + e, y' = b x + d y + f, as SVG writes matrix(a b c d e f). */
export interface Affine {
  a: number
  b: number
  c: number
  d: number
  e: number
  f: number
}

export const IDENTITY: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }

/** Applies `inner` first, then `outer`. */
export function chain(outer: Affine, inner: Affine): Affine {
  return {
    a: outer.a * inner.a + outer.c * inner.b,
    b: outer.b * inner.a + outer.d * inner.b,
    c: outer.a * inner.c + outer.c * inner.d,
    d: outer.b * inner.c + outer.d * inner.d,
    e: outer.a * inner.e + outer.c * inner.f + outer.e,
    f: outer.b * inner.e + outer.d * inner.f + outer.f,
  }
}

export const applyAffine = (m: Affine, p: Point): Point => ({
  x: m.a * p.x + m.c * p.y + m.e,
  y: m.b * p.x + m.d * p.y + m.f,
})

export const mapPath = (path: Path, f: (p: Point) => Point): Path => path.map((s) => mapSegment(s, f))

export function movePath(path: Path, by: Point): Path {
  return by.x === 0 && by.y === 0 ? path : mapPath(path, (p) => ({ x: p.x + by.x, y: p.y + by.y }))
}

/** Turned about a pin by an angle; clockwise on the page is positive. Lengths are kept. */
export const turnPath = (path: Path, pin: Point, angleRad: number): Path => mapPath(path, (p) => rotateAbout(p, pin, angleRad))

/** The same path walked the other way. */
export const reversePath = (path: Path): Path => [...path].reverse().map(reverseSegment)
