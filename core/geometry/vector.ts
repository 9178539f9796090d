import type { Point } from './types'

export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y })
export const subtract = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y })
export const scale = (a: Point, by: number): Point => ({ x: a.x * by, y: a.y * by })
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y
/** Positive when b is clockwise of a on the page (y grows down). */
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x
// Not Math.hypot: it guards against figures beyond 1e154, which no garment has, and takes several times as long.
export const norm = (a: Point): number => Math.sqrt(a.x * a.x + a.y * a.y)
export const distance = (a: Point, b: Point): number => Math.sqrt((a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y))
export const mix = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })

/** The direction of a, length 1; (0, 0) stays (0, 0). */
export function unit(a: Point): Point {
  const length = norm(a)
  return length === 0 ? a : { x: a.x / length, y: a.y / length }
}

/** Turned about a pin; positive angles turn clockwise on the page. */
export function rotateAbout(p: Point, pin: Point, angleRad: number): Point {
  const c = Math.cos(angleRad)
  const s = Math.sin(angleRad)
  const d = subtract(p, pin)
  return { x: pin.x + d.x * c - d.y * s, y: pin.y + d.x * s + d.y * c }
}

/** To the left of travel: outward for an outline that runs clockwise on the page. */
export const leftOf = (tangent: Point): Point => ({ x: tangent.y, y: -tangent.x })

/** Turn from one direction to another, rad in (-pi, pi], clockwise positive. */
export const turnRad = (from: Point, to: Point): number => Math.atan2(cross(from, to), dot(from, to))
