import { boundsOfPoints, rotateAbout, type Point } from '../geometry'
import type { Writing } from './find-writing'

/** A picture in grey, a byte for each dot, row by row: 255 is white. */
export interface GreyPicture {
  width: number
  height: number
  dots: Uint8Array
}

/** A heap of letters as a picture, upright, and where its dots lie on the drawing. */
export interface Drawn {
  picture: GreyPicture
  /** The middle of each letter on it, dots. */
  middles: Point[]
  /** Where a dot lies, mm. */
  placeOf: (x: number, y: number) => Point
  mmPerDot: number
}

/** A capital is drawn so many dots high: what readers of pictures are made for. */
const CAPITAL_DOTS = 30
/** White round it, dots. */
const RIM = 14
/** Lines across a dot that are looked at, and so many steps along it. */
const FINER = 3
/** The middle of a step. */
const HALF = 0.5
/** No picture is larger, dots. */
const MOST_DOTS = 4_000_000

/** Fills outlines by the rule of even and odd, so that the hole of an o stays white. */
function fill(outlines: readonly (readonly Point[])[], width: number, height: number): Uint8Array {
  /** Where outlines cross each line that is looked at. */
  const crossings: number[][] = Array.from({ length: height * FINER }, () => [])
  for (const points of outlines)
    points.forEach((a, i) => {
      const b = points[(i + 1) % points.length]!
      const [low, high] = a.y <= b.y ? [a, b] : [b, a]
      const first = Math.max(0, Math.ceil(low.y * FINER - HALF))
      for (let row = first; row < crossings.length && (row + HALF) / FINER < high.y; row++)
        crossings[row]!.push(low.x + ((high.x - low.x) * ((row + HALF) / FINER - low.y)) / (high.y - low.y))
    })
  const inked = new Uint16Array(width * height)
  crossings.forEach((places, row) => {
    places.sort((a, b) => a - b)
    const line = Math.floor(row / FINER) * width
    for (let k = 0; k + 1 < places.length; k += 2) {
      const [from, to] = [Math.ceil(places[k]! * FINER - HALF), Math.floor(places[k + 1]! * FINER - HALF)]
      for (let x = from; x <= to; x++) {
        const dot = line + Math.floor(x / FINER)
        inked[dot] = inked[dot]! + 1
      }
    }
  })
  return Uint8Array.from(inked, (n) => 255 - Math.round((255 * n) / FINER ** 2))
}

/**
 * Letters as a picture, turned so that they stand upright.
 * @param over turned by half a turn more
 * @param mostDots no more than this is drawn
 * @returns null where it would be larger than that, or than any words are
 */
export function drawWriting({ letters, angleRad, heightMm }: Writing, over: boolean, mostDots = MOST_DOTS): Drawn | null {
  const origin = { x: 0, y: 0 }
  const turn = -angleRad + (over ? Math.PI : 0)
  const upright = letters.map((points) => points.map((p) => rotateAbout(p, origin, turn)))
  const box = boundsOfPoints(upright.flat())
  const mmPerDot = heightMm / CAPITAL_DOTS
  const [width, height] = [box.maxX - box.minX, box.maxY - box.minY].map((mm) => Math.ceil(mm / mmPerDot) + 2 * RIM) as [number, number]
  if (!(width * height <= Math.min(mostDots, MOST_DOTS))) return null
  const onPicture = upright.map((points) =>
    points.map((p) => ({ x: (p.x - box.minX) / mmPerDot + RIM, y: (p.y - box.minY) / mmPerDot + RIM })),
  )
  const middles = onPicture.map((points) => {
    const b = boundsOfPoints(points)
    return { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 }
  })
  return {
    picture: { width, height, dots: fill(onPicture, width, height) },
    middles,
    placeOf: (x, y) => rotateAbout({ x: (x - RIM) * mmPerDot + box.minX, y: (y - RIM) * mmPerDot + box.minY }, origin, -turn),
    mmPerDot,
  }
}

/** Pictures below each other on sheets, and where each begins. */
export function stack(
  pictures: readonly GreyPicture[],
  mostDots = MOST_DOTS,
): { sheet: GreyPicture; from: { at: number; top: number }[] }[] {
  const sheets: { at: number[]; width: number; height: number }[] = []
  pictures.forEach(({ width, height }, at) => {
    const last = sheets[sheets.length - 1]
    if (last && Math.max(last.width, width) * (last.height + height) <= mostDots) {
      last.at.push(at)
      last.width = Math.max(last.width, width)
      last.height += height
    } else sheets.push({ at: [at], width, height })
  })
  return sheets.map(({ at: places, width, height }) => {
    const dots = new Uint8Array(width * height).fill(255)
    const from: { at: number; top: number }[] = []
    let top = 0
    for (const at of places) {
      const own = pictures[at]!
      for (let y = 0; y < own.height; y++) dots.set(own.dots.subarray(y * own.width, (y + 1) * own.width), (top + y) * width)
      from.push({ at, top })
      top += own.height
    }
    return { sheet: { width, height, dots }, from }
  })
}
