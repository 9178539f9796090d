import { spend } from '../budget'
import { boundsOf, boundsOfPoints, flattenPath, rotateAbout, type Box, type Point } from '../geometry'
import type { DrawnShape } from '../formats'

/** A heap of letters that are drawn as shapes: some lines of words, all in one direction. */
export interface Writing {
  /** Their places in the list of shapes. */
  members: number[]
  /** Outlines of the letters in order of the members, as points, mm. */
  letters: Point[][]
  /** The direction in which it runs, from the x axis, or half a turn more. */
  angleRad: number
  /** About as high as a capital, mm. */
  heightMm: number
}

/** Letters on patterns are within this, mm: from small print to the title of a sheet. */
const LETTER_MM = { least: 0.2, most: 45 }
/** Letters of a heap stand no further apart than so many times the height of the larger. */
const APART = 0.75
/** Dots, commas and strokes are no higher than this part of the highest letter: they say nothing of the direction. */
const LOW = 0.45
/** Letters stand on a line where their lower ends differ by no more than this part of their height. */
const LEVEL = 0.09
/** No file has as many letters as shapes, nor a letter as many lines: those are hatchings, and traced pictures. */
const MOST_LETTERS = 6000
const MOST_LINES = 600
/** Chords of letters stay within this part of their height. */
const FINE = 0.02
/** Of the heights of a heap, this one counts as a capital’s. */
const CAPITAL = 0.7

const sizeOf = (b: Box) => Math.max(b.maxX - b.minX, b.maxY - b.minY)
const middleOf = (b: Box): Point => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 })

/** How far two boxes lie from each other, mm. */
function gapBetween(a: Box, b: Box): number {
  const dx = Math.max(0, a.minX - b.maxX, b.minX - a.maxX)
  const dy = Math.max(0, a.minY - b.maxY, b.minY - a.maxY)
  return Math.hypot(dx, dy)
}

/** Heaps of boxes that lie near each other, by their places in the list. */
function heapsOf(boxes: readonly Box[]): number[][] {
  const heapOf = boxes.map((_, i) => i)
  const rootOf = (i: number): number => {
    let root = i
    while (heapOf[root] !== root) root = heapOf[root]!
    heapOf[i] = root
    return root
  }
  const order = boxes.map((_, i) => i).sort((a, b) => boxes[a]!.minX - boxes[b]!.minX)
  order.forEach((i, k) => {
    const a = boxes[i]!
    for (let m = k + 1; m < order.length; m++) {
      const b = boxes[order[m]!]!
      if (b.minX > a.maxX + APART * LETTER_MM.most) break
      spend()
      if (gapBetween(a, b) <= APART * Math.max(sizeOf(a), sizeOf(b))) heapOf[rootOf(i)] = rootOf(order[m]!)
    }
  })
  const heaps = new Map<number, number[]>()
  boxes.forEach((_, i) => heaps.set(rootOf(i), [...(heaps.get(rootOf(i)) ?? []), i]))
  return [...heaps.values()]
}

/** So many letters of a heap are asked which way they run. */
const ASKED = 150
const asked = (count: number): number[] => {
  const step = Math.ceil(count / ASKED)
  return Array.from({ length: Math.ceil(count / step) }, (_, i) => i * step)
}

/** How many of the letters that are asked stand on the same line as the one that is nearest to them, when they are turned upright. */
function onLines(letters: readonly (readonly Point[])[], angleRad: number): number {
  const boxes = letters.map((points) => boundsOfPoints(points.map((p) => rotateAbout(p, { x: 0, y: 0 }, -angleRad))))
  const middles = boxes.map(middleOf)
  return asked(boxes.length).filter((i) => {
    const a = boxes[i]!
    const near = nearestTo(i, middles)
    const b = near === null ? null : boxes[near]!
    // The next letter of a line lies beside it, not above it.
    const isBeside = b !== null && (b.minX >= a.maxX || b.maxX <= a.minX)
    return isBeside && Math.abs(a.maxY - b.maxY) <= LEVEL * Math.max(sizeOf(a), sizeOf(b))
  }).length
}

function nearestTo(i: number, middles: readonly Point[]): number | null {
  let best: number | null = null
  let bestMm = Infinity
  middles.forEach((p, k) => {
    spend()
    const mm = Math.hypot(p.x - middles[i]!.x, p.y - middles[i]!.y)
    if (k === i || mm >= bestMm) return
    bestMm = mm
    best = k
  })
  return best
}

/** The direction in which most letters stand on lines: level, upright, or as most of them lie to the next one. */
function directionOf(letters: readonly (readonly Point[])[]): number {
  const middles = letters.map((points) => middleOf(boundsOfPoints(points)))
  const ways = asked(middles.length)
    .flatMap((i) => {
      const p = middles[i]!
      const near = nearestTo(i, middles)
      if (near === null) return []
      const angle = Math.atan2(middles[near]!.y - p.y, middles[near]!.x - p.x)
      // Of a line, whichever way it is walked.
      return [angle > Math.PI / 2 ? angle - Math.PI : angle <= -Math.PI / 2 ? angle + Math.PI : angle]
    })
    .sort((a, b) => a - b)
  const tried = [0, Math.PI / 2, ways[Math.floor(ways.length / 2)] ?? 0].map((angle) => ({ angle, count: onLines(letters, angle) }))
  return tried.reduce((best, one) => (one.count > best.count ? one : best)).angle
}

/**
 * Words that a file draws as shapes: areas of the size of letters that stand together, as converters and drawing programs write words
 * for which they send no font. One area by itself (an arrow’s head, the triangle of a notch) is none.
 */
export function findWriting(shapes: readonly DrawnShape[]): Writing[] {
  const small = shapes.flatMap((s, i) => {
    if (!s.isArea || !s.closed || s.path.length > MOST_LINES) return []
    const box = boundsOf(s.path)
    return sizeOf(box) >= LETTER_MM.least && sizeOf(box) <= LETTER_MM.most ? [{ i, box }] : []
  })
  if (small.length > MOST_LETTERS) return []
  return heapsOf(small.map((s) => s.box)).flatMap((heap): Writing[] => {
    const highMm = Math.max(...heap.map((k) => sizeOf(small[k]!.box)))
    const letters = heap.map((k) => flattenPath(shapes[small[k]!.i]!.path, FINE * highMm))
    const tall = heap.flatMap((k, n) => (sizeOf(small[k]!.box) >= LOW * highMm ? [letters[n]!] : []))
    if (tall.length < 2) return []
    const angleRad = directionOf(tall)
    const heights = tall
      .map((points) => boundsOfPoints(points.map((p) => rotateAbout(p, { x: 0, y: 0 }, -angleRad))))
      .map((b) => b.maxY - b.minY)
      .sort((a, b) => a - b)
    const heightMm = heights[Math.floor(heights.length * CAPITAL)]!
    // Areas without a height, as dashes are drawn, are no letters.
    return heightMm >= LETTER_MM.least ? [{ members: heap.map((k) => small[k]!.i), letters, angleRad, heightMm }] : []
  })
}
