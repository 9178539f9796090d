import type { Point } from './types'

/**
 * Points by where they lie, for asking which of many are near to one: cells as wide as the reach are looked up, so that an
 * answer costs no more among forty thousand points than among forty.
 */
export class PointGrid<T> {
  private readonly cells = new Map<string, { at: Point; thing: T }[]>()

  /** @param reachMm how far apart two points count as near, mm */
  constructor(private readonly reachMm: number) {}

  private cell(p: Point, dx = 0, dy = 0): string {
    return `${Math.floor(p.x / this.reachMm) + dx} ${Math.floor(p.y / this.reachMm) + dy}`
  }

  add(at: Point, thing: T): void {
    const key = this.cell(at)
    const there = this.cells.get(key)
    if (there) there.push({ at, thing })
    else this.cells.set(key, [{ at, thing }])
  }

  remove(at: Point, thing: T): void {
    const there = this.cells.get(this.cell(at))
    const i = there?.findIndex((x) => x.thing === thing) ?? -1
    if (i >= 0) there!.splice(i, 1)
  }

  /** What lies within reach of a point, nearest first; of equally near ones the first that was added. */
  near(p: Point): T[] {
    const found: { thing: T; gap: number }[] = []
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1])
        for (const { at, thing } of this.cells.get(this.cell(p, dx, dy)) ?? []) {
          const gap = Math.sqrt((at.x - p.x) ** 2 + (at.y - p.y) ** 2)
          if (gap <= this.reachMm) found.push({ thing, gap })
        }
    return found.sort((a, b) => a.gap - b.gap).map((f) => f.thing)
  }
}
