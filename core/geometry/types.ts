/** A place on the paper, mm. x grows to the right, y grows down, as on a page. */
export interface Point {
  readonly x: number
  readonly y: number
}

export interface Line {
  readonly kind: 'line'
  readonly from: Point
  readonly to: Point
}

/** A cubic curve with two control points. */
export interface Cubic {
  readonly kind: 'cubic'
  readonly from: Point
  readonly c1: Point
  readonly c2: Point
  readonly to: Point
}

export type Segment = Line | Cubic

/** A run of segments, each starting where the one before ends. Never empty. Closed when its ends meet. */
export type Path = readonly Segment[]

export interface Box {
  minX: number
  minY: number
  maxX: number
  maxY: number
}

/** A place on a path: how far along it lies, mm, with its point and unit direction of travel. */
export interface PathPlace {
  lengthMm: number
  point: Point
  tangent: Point
}
