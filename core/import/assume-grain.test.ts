import { describe, expect, it } from 'vitest'
import { readSvg } from '../formats'
import { containsPoint } from '../moves'
import { flattenPath, line, type Path, type Point } from '../geometry'
import { arrowAlong, commonWay } from './assume-grain'
import { bringIn } from './bring-in'

const polygon = (...points: Point[]): Path => points.map((p, i) => line(p, points[(i + 1) % points.length]!))
const grain = (x: number, y: number, dx: number, dy: number) => ({ from: { x, y }, to: { x: x + dx, y: y + dy } })

/** A sheet with a back that has its grain, and a facing with none. */
const sheet = (backGrain: string, facing: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="800mm" viewBox="0 0 900 800" fill="none" stroke="black">
  <path d="M400,125 C440,125 465,118 476,100 L605,142 C588,190 590,265 640,318 L633,505 L640,690 L400,705 Z"/>
  <text x="480" y="330" fill="black" stroke="none" font-size="12">Back, cut 1</text>${backGrain}
  <path d="M100,300 C135,300 168,280 173,225 L215,236 C205,310 165,342 100,345 Z"/>${facing}
</svg>`
const UPRIGHT = '<path d="M450,250 L450,600 M444,262 L450,250 L456,262 M444,588 L450,600 L456,588"/>'
const LEVEL = '<path d="M430,500 L600,500 M442,494 L430,500 L442,506 M588,494 L600,500 L588,506"/>'
const SAID = '<text x="112" y="330" fill="black" stroke="none" font-size="6">Neck facing, cut 1 on the fold</text>'

const brought = (text: string) => {
  const drawing = readSvg(text)
  if (!drawing.ok) throw new Error(drawing.problem.message)
  const done = bringIn(drawing.value)
  if (!done.ok) throw new Error(done.problem.message)
  return done.value
}

describe('a piece on which no grain is drawn', () => {
  it('is taken to run as the others of the sheet do, and that is said', () => {
    for (const [drawn, isUpright] of [
      [UPRIGHT, true],
      [LEVEL, false],
    ] as const) {
      const { garment, doubts, leftOut } = brought(sheet(drawn, SAID))
      expect(leftOut).toEqual([])
      const facing = garment.pieces.find((p) => p.name === 'Neck facing')!
      const { from, to } = Object.values(facing.shapes)[0]!.grain
      expect(Math.abs(to.y - from.y) > Math.abs(to.x - from.x)).toBe(isUpright)
      expect(doubts.filter((d) => d.name === 'Neck facing' && d.why.includes('as on the other pieces'))).toHaveLength(1)
      expect(doubts.filter((d) => d.name === 'Back' && d.why.includes('grain'))).toEqual([])
    }
  })
  it('is left out where no other has one, or where nothing calls it a piece', () => {
    expect(brought(sheet('', SAID)).garment.pieces).toEqual([])
    expect(brought(sheet(UPRIGHT, '')).garment.pieces.map((p) => p.name)).toEqual(['Back'])
  })
})

describe('the way that grainlines run', () => {
  it('is known where all run alike, whichever way they point', () => {
    expect(commonWay([grain(0, 0, 0, 300), grain(500, 400, 1, -300)])).toEqual({ x: 0, y: 1 })
    expect(commonWay([grain(0, 0, 0, 300), grain(500, 400, 300, 0)])).toBeNull()
    expect(commonWay([])).toBeNull()
  })
})

describe('an arrow along a way', () => {
  it('lies within the outline, where that reaches furthest', () => {
    // A hook: its middle lies outside of it.
    const hook = polygon({ x: 0, y: 0 }, { x: 300, y: 0 }, { x: 300, y: 60 }, { x: 60, y: 60 }, { x: 60, y: 200 }, { x: 0, y: 200 })
    for (const [along, longMm] of [
      [{ x: 0, y: 1 }, 200],
      [{ x: 1, y: 0 }, 300],
      [{ x: Math.SQRT1_2, y: Math.SQRT1_2 }, 0],
    ] as const) {
      const { from, to } = arrowAlong(hook, along)
      const inside = flattenPath(hook, 1)
      for (const t of [0, 0.5, 1])
        expect(containsPoint(inside, { x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t })).toBe(true)
      if (longMm > 0) expect(Math.hypot(to.x - from.x, to.y - from.y)).toBeCloseTo(0.7 * longMm, 6)
    }
  })
})
