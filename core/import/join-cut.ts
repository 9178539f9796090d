import { spend } from '../budget'
import type { DrawnShape, DrawnText } from '../formats'
import { distance, dot, PointGrid, reversePath, subtract, tangentAt, unit, type Path, type Point } from '../geometry'

/** Ends of a line that was cut at the edge of a page meet within this, mm, and go on in one direction to within this cosine. */
const MEET_MM = 0.8
const GOES_ON = 0.97

const startOf = (p: Path): Point => p[0]!.from
const endOf = (p: Path): Point => p[p.length - 1]!.to

/**
 * Lines that were cut at the edges of pages, joined again where two parts meet and go on in one direction.
 * @param cut parts of lines: the first have been cut at least at one end
 */
export function joinCutLines(cut: readonly DrawnShape[]): DrawnShape[] {
  const parts: (DrawnShape | null)[] = [...cut]
  const grid = new PointGrid<number>(MEET_MM)
  const add = (i: number) => {
    grid.add(startOf(parts[i]!.path), i)
    grid.add(endOf(parts[i]!.path), i)
  }
  const drop = (i: number) => {
    grid.remove(startOf(parts[i]!.path), i)
    grid.remove(endOf(parts[i]!.path), i)
  }
  parts.forEach((_, i) => add(i))
  for (let i = 0; i < parts.length; i++)
    for (let again = true; again && parts[i] && !parts[i]!.closed;) {
      again = false
      for (const turned of [false, true]) {
        spend()
        const own = turned ? reversePath(parts[i]!.path) : parts[i]!.path
        const tip = endOf(own)
        const leaving = tangentAt(own[own.length - 1]!, 1)
        const next = grid.near(tip).find((j) => {
          const other = parts[j]
          if (!other || j === i || other.closed || other.style !== parts[i]!.style) return false
          const led = distance(startOf(other.path), tip) <= distance(endOf(other.path), tip) ? other.path : reversePath(other.path)
          return distance(startOf(led), tip) <= MEET_MM && dot(leaving, tangentAt(led[0]!, 0)) >= GOES_ON
        })
        if (next === undefined) continue
        const other = parts[next]!
        const led = distance(startOf(other.path), tip) <= distance(endOf(other.path), tip) ? other.path : reversePath(other.path)
        drop(i)
        drop(next)
        parts[next] = null
        const path = [...own, { ...led[0]!, from: tip }, ...led.slice(1)]
        parts[i] = { ...parts[i]!, path }
        if (
          path.length > 1 &&
          distance(startOf(path), endOf(path)) <= MEET_MM &&
          dot(tangentAt(path[path.length - 1]!, 1), tangentAt(path[0]!, 0)) >= GOES_ON
        )
          parts[i] = { ...parts[i]!, path: [...path.slice(0, -1), { ...path[path.length - 1]!, to: startOf(path) }], closed: true }
        add(i)
        again = true
        break
      }
    }
  return parts.flatMap((p) => p ?? [])
}

/** Two texts stand on one base line to this part of their height. */
const BASE_PART = 0.15

/** Wider than this part of their height, what lies between two words is a space. */
const SPACE_PART = 0.15

/** Words that were cut at the edge of a page, joined on their base line; what both pages show of them is taken once. */
export function joinCutTexts(texts: readonly DrawnText[]): DrawnText[] {
  const out: DrawnText[] = []
  for (const t of [...texts].sort((a, b) => b.text.length - a.text.length)) {
    const along = distance(t.at, t.end) > 0 ? unit(subtract(t.end, t.at)) : { x: 1, y: 0 }
    const at = (p: Point): { x: number; y: number } => {
      const d = subtract(p, t.at)
      return { x: d.x * along.x + d.y * along.y, y: d.y * along.x - d.x * along.y }
    }
    const mate = out.findIndex((o) => {
      spend()
      if (Math.abs(o.heightMm - t.heightMm) > 0.1 * t.heightMm) return false
      const [from, to] = [at(o.at), at(o.end)]
      const level = Math.max(Math.abs(from.y), Math.abs(to.y)) <= BASE_PART * t.heightMm && to.x > from.x
      const far = distance(t.at, t.end)
      return level && from.x <= far + 0.4 * t.heightMm && to.x >= -0.4 * t.heightMm
    })
    if (mate < 0) out.push(t)
    else out[mate] = together(out[mate]!, t, at(out[mate]!.at).x >= 0)
  }
  return out
}

function together(a: DrawnText, b: DrawnText, bFirst: boolean): DrawnText {
  const [first, second] = bFirst ? [b, a] : [a, b]
  if (first.text.includes(second.text)) return { ...first, groups: a.groups }
  if (second.text.includes(first.text)) return second
  let shared = Math.min(first.text.length, second.text.length)
  while (shared > 0 && !first.text.endsWith(second.text.slice(0, shared))) shared -= 1
  const gap = distance(first.end, second.at)
  const between = shared === 0 && gap > SPACE_PART * a.heightMm ? ' ' : ''
  const text = `${first.text}${between}${second.text.slice(shared)}`
  return { ...first, text, middle: { x: (first.at.x + second.end.x) / 2, y: (first.at.y + second.end.y) / 2 }, end: second.end }
}
