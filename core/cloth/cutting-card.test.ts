import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { draftTrousers, TAPERED } from '../../demo/trousers'
import { nearestPlace, type Point } from '../geometry'
import { shapeOf } from '../pattern'
import { garmentOf, polygonPiece } from '../pattern/test-pieces'
import {
  biasCut,
  biasEdges,
  cardNotes,
  cuttingCards,
  layFaults,
  makeLay,
  movedBy,
  roomiestPoint,
  turnedRound,
  usualCloth,
  usualCounts,
  wantedOf,
} from './index'

const at = (x: number, y: number) => ({ x, y })
const square = (id: string, points = [at(0, 0), at(200, 0), at(200, 200), at(0, 200)]) =>
  polygonPiece(id, 'other', points, ['neck', 'side', 'hem', 'other'], { allowanceMm: 0 })

describe('edges near the bias', () => {
  it('are those within 20 degrees of it, by how much of them is', () => {
    // Grain down the page: an edge at 45 degrees, one at 60 (15 off), one at 70 (25 off).
    const slant = (deg: number) => {
      const r = (deg * Math.PI) / 180
      return square('p', [at(0, 0), at(200 * Math.sin(r), 200 * Math.cos(r)), at(0, 400), at(-50, 200)])
    }
    const named = (deg: number) => biasEdges(slant(deg), 'one').find((e) => e.name === slant(deg).edges[0]!.name)?.lengthMm
    expect(named(45)).toBeCloseTo(200, 0)
    expect(named(60)).toBeCloseTo(200, 0)
    expect(named(70)).toBeUndefined()
    expect(named(20)).toBeUndefined()
  })
  it('of a square on its grain are none', () => {
    expect(biasEdges(square('p'), 'one')).toEqual([])
  })
  it('of a blouse are parts of armholes and caps, and never its hem or fold', () => {
    const cards = cuttingCards(draftBlouse(), 'one', usualCounts)
    const flagged = cards.flatMap((c) => c.biasEdges.map((e) => `${c.name} ${e.name}`))
    expect(flagged.some((f) => f.includes('cap'))).toBe(true)
    expect(flagged.filter((f) => /hem|centre/.test(f))).toEqual([])
  })
})

describe('a cutting card', () => {
  const [front, back, band] = cuttingCards(draftTrousers(TAPERED), 'one', usualCounts)
  it('says how often, from what, and whether it is a pair or on the fold', () => {
    expect(front).toMatchObject({
      name: 'Front leg',
      counts: { main: 2, lining: 0, interfacing: 0 },
      isPair: true,
      onFold: false,
      isSmall: false,
    })
    expect(band).toMatchObject({ counts: { main: 2, lining: 0, interfacing: 1 }, onFold: true, isSmall: true, hiddenLayers: 1 })
  })
  it('tells the room that a piece needs along and across its grain', () => {
    expect(front!.alongMm).toBeGreaterThan(900)
    expect(back!.acrossMm).toBeGreaterThan(front!.acrossMm)
  })
})

describe('a line as far as which one may be cut', () => {
  const withLine = (role: 'other' | 'hip', from: Point, to: Point) => {
    const piece = square('skirt')
    const lines = { short: [{ kind: 'line' as const, from, to }] }
    const shapes = { one: { ...shapeOf(piece, 'one'), lines } }
    return garmentOf([{ ...piece, lines: [{ id: 'short', name: 'short hem', role }], shapes }])
  }
  const notesOf = (...line: Parameters<typeof withLine>) => cardNotes(cuttingCards(withLine(...line), 'one', usualCounts)[0]!).join(' ')
  it('is one that runs from edge to edge, with ends that stop a little short or run past', () => {
    expect(notesOf('other', at(0, 150), at(200, 150))).toMatch(/as far as “short hem”\? Transfer that line/)
    expect(notesOf('other', at(2, 150), at(202, 140))).toContain('short hem')
  })
  it('is none that ends within the piece, nor one that belongs to the body', () => {
    expect(notesOf('other', at(0, 150), at(120, 150))).not.toContain('short hem')
    expect(notesOf('hip', at(0, 150), at(200, 150))).not.toContain('short hem')
  })
})

describe('a lay changed by hand', () => {
  const garment = garmentOf(['a', 'b'].map((id) => square(id)))
  const made = makeLay(garment, 'one', wantedOf(garment, { a: 1, b: 1 }), { ...usualCloth(), widthMm: 500 }, { rounds: 5 })
  if (!made.ok) throw new Error(made.problem.message)
  const lay = made.value
  const moved = (by: { x: number; y: number }) => ({ ...lay, laid: [movedBy(lay.laid[0]!, by), lay.laid[1]!] })
  it('is right as it was made', () => {
    expect(layFaults(lay)).toEqual([])
  })
  it('says what lies on what, what leaves the cloth, and nothing where pieces only touch', () => {
    const [a, b] = lay.laid
    const onto = { x: b!.xMm - a!.xMm + 20, y: b!.yMm - a!.yMm + 30 }
    expect(layFaults(moved(onto)).map((f) => f.words)).toEqual([`${a!.name} lies on ${b!.name}.`])
    expect(layFaults(moved({ x: 600, y: 400 })).map((f) => f.words)).toEqual([`${a!.name} leaves the cloth.`])
    const beside = { x: b!.xMm - a!.xMm + 200, y: b!.yMm - a!.yMm }
    expect(layFaults(moved(beside))).toEqual([])
  })
  it('a piece turned end for end twice is as it was, and stays where it lies', () => {
    const [a] = lay.laid
    const round = turnedRound(turnedRound(a!))
    expect(round.polygon.map((p) => [p.x.toFixed(6), p.y.toFixed(6)])).toEqual(a!.polygon.map((p) => [p.x.toFixed(6), p.y.toFixed(6)]))
    expect(turnedRound(a!)).toMatchObject({ xMm: a!.xMm, yMm: a!.yMm, isTurned: !a!.isTurned })
  })
  it('keeps what lies on the fold there, and its notches on its seam line', () => {
    const blouse = draftBlouse()
    const folded = makeLay(blouse, 'one', wantedOf(blouse, { front: 1 }), { ...usualCloth(), isFolded: true }, { rounds: 2 })
    if (!folded.ok) throw new Error(folded.problem.message)
    const [front] = folded.value.laid
    expect(front).toMatchObject({ onFold: true, yMm: 0 })
    expect(movedBy(front!, at(30, 50))).toMatchObject({ xMm: front!.xMm + 30, yMm: 0 })
    // Its fold lies on the fold of the cloth also when it is turned.
    expect(front!.notches.length).toBeGreaterThan(0)
    for (const l of [front!, turnedRound(front!)]) {
      expect(l.polygon.filter((p) => p.y < 0.01).length).toBeGreaterThan(1)
      for (const n of l.notches) expect(nearestPlace(l.seamLine, n).distanceMm).toBeLessThan(0.01)
    }
  })
})

it('a word finds its room within the piece, also where the middle of its box lies beside it', () => {
  const hollow = [at(0, 0), at(300, 0), at(300, 100), at(100, 100), at(100, 300), at(0, 300)]
  const { x, y } = roomiestPoint(hollow)
  expect(x < 100 || y < 100).toBe(true)
  expect(Math.min(x, y)).toBeGreaterThan(30)
})

it('a word stands in the middle of a band, where there is as much room from end to end', () => {
  const { x, y } = roomiestPoint([at(0, 0), at(800, 0), at(800, 40), at(0, 40)])
  expect(Math.abs(x - 400)).toBeLessThan(50)
  expect(y).toBeCloseTo(20, 6)
})

describe('bias strips', () => {
  it('of a short edge are one, over its length at 45 degrees and its width', () => {
    const cut = biasCut(600, 30, 3, 1400)
    expect(cut).toMatchObject({ strips: 1, joins: 0 })
    expect(cut.lengthMm).toBeCloseTo(582, 6)
    expect(cut.clothMm).toBeCloseTo(582 / Math.SQRT2 + 30 * Math.SQRT2, 6)
  })
  it('of a long edge are joined, and take more cloth by each strip', () => {
    const [narrow, wide] = [biasCut(3000, 30, 0, 900), biasCut(3000, 30, 0, 1500)]
    expect(narrow.strips).toBe(narrow.joins + 1)
    expect(narrow.strips).toBeGreaterThan(wide.strips)
    // No strip is longer than the cloth is wide at 45 degrees.
    expect(narrow.clothMm).toBeCloseTo(900 + narrow.strips * 30 * Math.SQRT2, 6)
  })
})
