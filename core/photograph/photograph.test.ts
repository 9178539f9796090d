import { describe, expect, it } from 'vitest'
import { makePhotograph, placeIn, type Scene } from '../../scripts/photographs/make-photograph'
import { COLLAR, FRONT, FRONT_GRAIN, LEG, LEG_MARKS, LEG_MOVED, LEG_SCENES, SCENE } from '../../scripts/photographs/scenes'
import { diceOf } from '../dice'
import { distance, flattenPath, measureLength, nearestPlace, placeAt, type Path, type Point } from '../geometry'
import { bringIn, drawingOf, keepOutlines } from '../import'
import { cameraFrom, errorAt, fitCamera, stretchOf } from './camera'
import { drawEdges, partAtCorners } from './draw-smooth'
import {
  fromPlane,
  joinPhotographs,
  readPhotograph,
  sheetLike,
  toPlane,
  type Corners,
  type Known,
  type Pixels,
  type ReadPhotograph,
} from './index'
import { layOn, laid } from './join-photographs'

const A4: Known = { kind: 'sheet', sheet: 'a4' }
const scene = (own: Partial<Scene> = {}): Scene => ({ ...SCENE, ...own })

const SEVERAL = scene({
  pieces: [...SCENE.pieces, { path: COLLAR, colour: [232, 228, 214] }],
  camera: { ...SCENE.camera, at: { x: 345, y: 470 } },
})

/** How far two lines lie apart, mm: of all places of each, that which 95 of 100 do not exceed, and the furthest. */
function apart(found: Path, truth: Path): { most: number; furthest: number } {
  const from = (a: Path, b: Path) => {
    const total = measureLength(a)
    return Array.from({ length: 300 }, (_, i) => nearestPlace(b, placeAt(a, (total * i) / 300).point).distanceMm)
  }
  const all = [...from(found, truth), ...from(truth, found)].sort((a, b) => a - b)
  return { most: all[Math.floor(all.length * 0.95)]!, furthest: all.at(-1)! }
}

const pointed = (own: Scene, places: readonly Point[], offPx = 0): Corners =>
  places.map((p, i) => {
    const at = placeIn(own, p)
    return { x: at.x + offPx * (i % 2 === 0 ? 1 : -1), y: at.y + offPx * (i < 2 ? -1 : 1) }
  }) as unknown as Corners

/** Making one takes longer than reading it. */
const made = new Map<string, Pixels>()
function photographOf(own: Scene): Pixels {
  const key = JSON.stringify(own)
  if (!made.has(key)) made.set(key, makePhotograph(own))
  return made.get(key)!
}

function read(own: Scene, known = A4, places: Corners | null = null): ReadPhotograph {
  const found = readPhotograph(photographOf(own), known, places)
  if (!found.ok) throw new Error(found.problem.message)
  return found.value
}

/** The outline that is a piece's, in a photograph with others in it. */
const ofPiece = ({ outlines }: ReadPhotograph, truth: Path) =>
  outlines.reduce((a, b) => (apart(b.path, truth).most < apart(a.path, truth).most ? b : a))

describe('a camera', () => {
  const dice = diceOf(7)
  it('is found from dots that lie on lines; what it tells of its error holds', () => {
    let held = 0
    let all = 0
    for (let round = 0; round < 12; round++) {
      const true0 = cameraFrom(
        2000,
        1500,
        [
          { x: 300 + 200 * dice(), y: 250 + 100 * dice() },
          { x: 1500 + 300 * dice(), y: 200 + 150 * dice() },
          { x: 1600 + 200 * dice(), y: 1200 + 200 * dice() },
          { x: 200 + 150 * dice(), y: 1150 + 200 * dice() },
        ],
        [
          { x: 0, y: 0 },
          { x: 900, y: 0 },
          { x: 900, y: 700 },
          { x: 0, y: 700 },
        ],
      )!
      const truth = { ...true0, k: -0.1 * dice() }
      for (const mm of [
        { x: 0, y: 0 },
        { x: 450, y: 300 },
        { x: 900, y: 700 },
      ])
        expect(distance(toPlane(truth, fromPlane(truth, mm)), mm)).toBeLessThan(1e-6)
      const noise = () => 0.2 * (dice() + dice() + dice() - 1.5)
      const lines = Array.from({ length: 200 }, (_, i) => {
        const along = i % 2 === 0 ? ('x' as const) : ('y' as const)
        const mm =
          along === 'x' ? { x: i % 4 === 0 ? 300 : 510, y: 200 + 297 * dice() } : { x: 300 + 210 * dice(), y: i % 4 === 1 ? 200 : 497 }
        const at = fromPlane(truth, mm)
        return { at: { x: at.x + noise(), y: at.y + noise() }, along, mm: mm[along] }
      })
      const found = fitCamera(true0, lines)
      expect(found.offPx).toBeLessThan(0.3)
      for (let i = 0; i < 25; i++) {
        const mm = { x: 900 * dice(), y: 700 * dice() }
        const at = fromPlane(truth, mm)
        all += 1
        if (distance(toPlane(found, at), mm) <= 2 * errorAt(found, at)) held += 1
      }
    }
    expect(held / all).toBeGreaterThan(0.95)
  })

  it('takes no three places on a line for a rectangle', () => {
    const line = [0, 100, 200, 300].map((x) => ({ x, y: x }))
    const plane = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 10 },
      { x: 0, y: 10 },
    ]
    expect(cameraFrom(400, 400, line, plane)).toBeNull()
  })
})

describe('an outline', () => {
  it('through scattered points of a rounded rectangle has sharp corners and straight edges', () => {
    const dice = diceOf(3)
    const side = (a: Point, b: Point) =>
      Array.from({ length: 120 }, (_, i) => ({ x: a.x + ((b.x - a.x) * i) / 120, y: a.y + ((b.y - a.y) * i) / 120 }))
    const corners = [
      { x: 0, y: 0 },
      { x: 200, y: 20 },
      { x: 180, y: 160 },
      { x: -20, y: 140 },
    ]
    const points = corners.flatMap((c, i) => side(c, corners[(i + 1) % 4]!)).map((p) => ({ x: p.x + 0.2 * dice(), y: p.y + 0.2 * dice() }))
    const edges = drawEdges(partAtCorners(points, 2), 2)
    expect(edges.map((e) => e.length)).toEqual([1, 1, 1, 1])
    for (const c of corners) expect(Math.min(...edges.map((e) => distance(e[0]!.from, c)))).toBeLessThan(0.5)
  })

  it('of something round runs through without a corner', () => {
    const points = Array.from({ length: 400 }, (_, i) => ({ x: 80 * Math.cos(i / 63.66), y: 60 * Math.sin(i / 63.66) }))
    const path = drawEdges(partAtCorners(points, 2), 2).flat()
    for (const p of flattenPath(path, 0.05)) expect(Math.abs(Math.hypot(p.x / 80, p.y / 60) - 1)).toBeLessThan(0.01)
    expect(path.length).toBeLessThan(12)
  })
})

describe('a photograph', () => {
  it.each([
    ['on boards, half in shadow, with another', SEVERAL],
    ['through a lens that bends', scene({ lens: { k1: 0.09, k2: 0 }, seed: 11 })],
    [
      'white on grey, in shadow',
      scene({ floor: { kind: 'plain', colour: [150, 150, 155] }, pieces: [{ path: FRONT, colour: [240, 240, 238] }], seed: 12 }),
    ],
    ['on a mat with lines', scene({ floor: { kind: 'mat', colour: [30, 90, 70], line: [190, 200, 120], pitchMm: 12.7 }, seed: 13 })],
    [
      'turned, and leaning the other way',
      scene({
        camera: { ...SCENE.camera, turned: -17, leansX: -9, leansY: 7, at: { x: 500, y: 110 }, heightMm: 1700, widthMm: 1400 },
        seed: 14,
      }),
    ],
  ])('%s gives the piece within 1.5 mm, and says how well it knows', (_, own) => {
    const found = read(own)
    const outline = ofPiece(found, FRONT)
    const off = apart(outline.path, FRONT)
    expect(off.most).toBeLessThan(1.5)
    expect(off.furthest).toBeLessThan(2 * outline.errorMm + 1)
    expect(outline.isCut).toBe(false)
    expect(outline.errorMm).toBeLessThan(4)
    expect(found.proportion).toBeNull()
    expect(found.camera.offPx).toBeLessThan(0.3)
  })

  it('shows several pieces, and the grain that is drawn on one; both come into the tray', () => {
    const found = read(SEVERAL)
    expect(found.outlines).toHaveLength(2)
    const [front, collar] = [ofPiece(found, FRONT), ofPiece(found, COLLAR)]
    expect(apart(collar.path, COLLAR).most).toBeLessThan(1.5)
    expect(collar.lines).toEqual([])
    const [grain] = front.lines
    for (const [i, end] of [grain![0]!.from, grain![0]!.to].entries())
      expect(distance(end, i === 0 ? FRONT_GRAIN[0]!.from : FRONT_GRAIN[0]!.to)).toBeLessThan(2)
    const joined = joinPhotographs([found], [])
    const drawing = joined.ok ? drawingOf(keepOutlines({ ...joined.value, name: '' })) : joined
    const brought = drawing.ok ? bringIn(drawing.value) : drawing
    expect(brought.ok && brought.value.garment.pieces).toHaveLength(1)
    expect(brought.ok && brought.value.leftOut[0]!.why).toMatch(/grain/i)
  })

  it('is measured by the lines of a mat, and by two rulers, from places that were pointed at roughly', () => {
    const mat = scene({
      sheet: null,
      floor: { kind: 'mat', colour: [40, 70, 110], line: [200, 205, 210], pitchMm: 25.4 },
      lens: { k1: 0.07, k2: 0.01 },
      seed: 21,
    })
    const known: Known = { kind: 'mat', acrossMm: 254, downMm: 254, pitchMm: 25.4 }
    const corners = [
      { x: 0, y: 254 },
      { x: 254, y: 254 },
      { x: 254, y: 508 },
      { x: 0, y: 508 },
    ]
    const byMat = read(mat, known, pointed(mat, corners, 1.5))
    const truth = flattenPath(FRONT, 0.2).map((p) => ({ x: p.x, y: p.y - 254 }))
    const outline = byMat.outlines.sort((a, b) => b.seen.length - a.seen.length)[0]!
    const offs = truth.map((p) => nearestPlace(outline.path, p).distanceMm).sort((a, b) => a - b)
    expect(offs[Math.floor(offs.length * 0.95)]).toBeLessThan(1)

    const bare = scene({ sheet: null, lens: { k1: 0, k2: 0 }, seed: 22 })
    const rulers: Known = { kind: 'rulers', acrossMm: 300, downMm: 300 }
    const places = [
      { x: 150, y: 0 },
      { x: 300, y: 0 },
      { x: 0, y: 300 },
      { x: 0, y: 150 },
    ]
    const byRulers = read(bare, rulers, pointed(bare, places))
    const own = ofPiece(byRulers, FRONT)
    expect(apart(own.path, FRONT).most).toBeLessThan(1.5)
    // Four places alone say little of the far end: it says so.
    expect(own.errorMm).toBeGreaterThan(read(scene()).outlines[0]!.errorMm)
  })

  it('of a sheet that is another one is told by its proportion', () => {
    const pixels = photographOf(scene())
    const found = readPhotograph(pixels, { kind: 'sheet', sheet: 'letter' }, null)
    const { seen, said } = found.ok ? found.value.proportion! : { seen: 0, said: 0 }
    expect(seen).toBeCloseTo(297 / 210, 1)
    expect(said).toBeCloseTo(279.4 / 215.9, 3)
    expect(sheetLike(seen)).toBe('a4')
    expect(sheetLike(2.4)).toBeNull()
    expect(found.ok && stretchOf(found.value.camera)).toBeGreaterThan(0.85)
  })

  it('whose four places lie anywhere else is refused, or read with figures: it never hangs, and nothing is infinite', () => {
    const dice = diceOf(17)
    const pixels = photographOf(scene())
    const place = () => ({ x: SCENE.widthPx * dice(), y: SCENE.heightPx * dice() })
    const known: Known[] = [A4, { kind: 'mat', acrossMm: 500, downMm: 1, pitchMm: 1 }, { kind: 'rulers', acrossMm: 5000, downMm: 1 }]
    let refused = 0
    for (let round = 0; round < 6; round++) {
      const found = readPhotograph(pixels, known[round % 3]!, [place(), place(), place(), place()])
      if (!found.ok) refused += 1
      else for (const o of found.value.outlines) expect([o.errorMm, measureLength(o.path)].every(Number.isFinite)).toBe(true)
    }
    expect(refused).toBeGreaterThan(0)
  })

  it('in which nothing stands out, or no sheet lies, is refused in a sentence that says what to do', () => {
    const sameColour = scene({ floor: { kind: 'plain', colour: [244, 244, 240] }, pieces: [], light: { ...SCENE.light, shadow: null } })
    const none = readPhotograph(makePhotograph({ ...sameColour, widthPx: 400, heightPx: 300, sheet: null }), A4, null)
    expect(none.ok ? '' : none.problem.remedy).toMatch(/darker|corners/)
    const noSheet = readPhotograph(makePhotograph(scene({ sheet: null, widthPx: 650, heightPx: 488 })), A4, null)
    expect(noSheet.ok ? '' : noSheet.problem.message).toMatch(/sides of the known sheet/)
    const mat = readPhotograph(
      makePhotograph(scene({ widthPx: 400, heightPx: 300 })),
      { kind: 'mat', acrossMm: 100, downMm: 100, pitchMm: 10 },
      null,
    )
    expect(mat.ok ? '' : mat.problem.remedy).toMatch(/four corners/)
  })

  it('of noise, of one colour, or of one dot comes to an end', () => {
    const dice = diceOf(5)
    for (const [width, height] of [
      [1, 1],
      [3, 200],
      [64, 48],
      [640, 480],
    ] as const)
      for (const dot of [() => 0, () => 255, () => 255 * dice()]) {
        const data = Uint8ClampedArray.from({ length: width * height * 4 }, dot)
        const found = readPhotograph({ width, height, data }, A4, null)
        expect(found.ok ? found.value.outlines.every((o) => Number.isFinite(o.errorMm)) : found.problem.remedy.length > 0).toBe(true)
      }
  })
})

describe('several photographs', () => {
  it('of one long piece are joined by marks, where the edge of one lies within the other', () => {
    const [upper, lower] = LEG_SCENES
    const reads = [read(upper), read(lower)]
    expect(reads.map((r) => r.outlines[0]!.isCut)).toEqual([true, true])
    const marks = LEG_MARKS.map((p) => [placeIn(upper, p), placeIn(lower, { x: p.x + LEG_MOVED.x, y: p.y + LEG_MOVED.y })])
    const joined = joinPhotographs(reads, marks)
    if (!joined.ok) throw new Error(joined.problem.message)
    expect(joined.value.offMm).toBeLessThan(1)
    expect(joined.value.outlines).toHaveLength(1)
    expect(apart(joined.value.outlines[0]!, LEG).most).toBeLessThan(2)
    const refused = joinPhotographs(reads, marks.slice(0, 1))
    expect(refused.ok ? '' : refused.problem.where).toBe('photograph 2')
  })

  it('lie on each other by marks, turned and moved and not scaled; marks in one place do not tell', () => {
    const dice = diceOf(9)
    for (let round = 0; round < 20; round++) {
      const truth = { turnRad: 6 * dice() - 3, by: { x: 900 * dice(), y: 700 * dice() } }
      const marks = Array.from({ length: 2 + Math.floor(3 * dice()) }, (_, i) => {
        const here = { x: 200 * i + 50 * dice(), y: 300 * dice() }
        return { here, there: laid(truth, here) }
      })
      const found = layOn(marks)
      expect(found.ok && found.value.offMm).toBeLessThan(1e-9)
      const p = { x: 1000 * dice(), y: 1000 * dice() }
      expect(found.ok && distance(laid(found.value, p), laid(truth, p))).toBeLessThan(1e-6)
    }
    const near = layOn([
      { here: { x: 0, y: 0 }, there: { x: 0, y: 0 } },
      { here: { x: 3, y: 0 }, there: { x: 3, y: 0 } },
    ])
    expect(near.ok ? '' : near.problem.message).toMatch(/too near/)
  })
})
