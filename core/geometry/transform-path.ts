import { spend } from '../budget'
import { mapSegment, reverseSegment } from './segment'
import type { Path, Point } from './types'

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

/** The placement that turns about a pin; clockwise on the page is positive. Lengths are kept. */
export function turnAbout(pin: Point, angleRad: number): Affine {
  const c = Math.cos(angleRad)
  const s = Math.sin(angleRad)
  return { a: c, b: s, c: -s, d: c, e: pin.x - pin.x * c + pin.y * s, f: pin.y - pin.x * s - pin.y * c }
}

/** The placement that slides by a vector, mm, without turning. */
export const slideBy = (by: Point): Affine => ({ ...IDENTITY, e: by.x, f: by.y })

/** The direction that a placement gives to a direction: its slide is left aside. */
export const turnDirection = (m: Affine, d: Point): Point => ({ x: m.a * d.x + m.c * d.y, y: m.b * d.x + m.d * d.y })

export function mapPath(path: Path, f: (p: Point) => Point): Path {
  spend(path.length)
  return path.map((s) => mapSegment(s, f))
}

export function movePath(path: Path, by: Point): Path {
  return by.x === 0 && by.y === 0 ? path : mapPath(path, (p) => ({ x: p.x + by.x, y: p.y + by.y }))
}

/** The same path walked the other way. */
export const reversePath = (path: Path): Path => [...path].reverse().map(reverseSegment)
