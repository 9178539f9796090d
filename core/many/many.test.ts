import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { makeBody } from '../../scripts/study/make-body'
import { faultTotal } from '../advice'
import type { Wearer } from '../body'
import { foldPlan } from '../changes'
import { lengthToBuy, makeLay, usualCloth, wantedOf } from '../cloth'
import { diceOf } from '../dice'
import { splitProject, writeSvg, type GarmentRow } from '../formats'
import { measureArea } from '../geometry'
import { DEFAULT_TOLERANCES, walkGarment } from '../match'
import { outlineOf, shapeOf, type Garment } from '../pattern'
import { NO_SIZING } from '../size'
import { plainName } from './files-of'
import {
  cutLines,
  figuresOf,
  fitsApart,
  layOf,
  makeFit,
  MadeFitSchema,
  nestSheet,
  openFit,
  outlined,
  reopenFit,
  shareCuts,
  sizesInWords,
  writeCutCsv,
  writeManyCsv,
  type ManyChoices,
} from './index'

const NOW = '2026-05-01T08:00:00.000Z'
const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const rowOf = (id: string): GarmentRow => splitProject(projects.find((p) => p.id === id)!).row
const dress = rowOf('demo-dress')
const choices: ManyChoices = { paper: 'a4', rollMm: 914, marginMm: 6, cloth: null }
const counted = (word = 'stop') => {
  let n = 0
  return () => `${word}-${++n}`
}
const madeWearer = (seed: number): Wearer => ({ id: `made-${seed}`, name: `Made ${seed}`, ownMeasures: [], sets: [makeBody(seed)] })
const fitOf = (row: GarmentRow, wearer: Wearer, own = choices) =>
  makeFit({ row, wearer, there: null }, own, DEFAULT_TOLERANCES, NOW, counted())

describe('a fit of many', () => {
  it.each(['demo-dress', 'demo-blouse', 'demo-tapered', 'demo-jacket', 'demo-tunic'])(
    'of %s has a plan of its own for every wearer, all of it done',
    (id) => {
      for (const wearer of wearers) {
        const made = fitOf(rowOf(id), wearer)
        expect(MadeFitSchema.safeParse(made).success).toBe(true)
        expect(made.figures.stuck).toEqual([])
        expect(made.figures.stops).toBe(made.plan.length + rowOf(id).mends.length)
        expect(made.figures.pages).toBeGreaterThan(0)
        expect(made.figures.seams).toBe(rowOf(id).garment.seams.length)
      }
    },
  )
  it('has the figures that its stations work out, also when it is opened again', () => {
    const wearer = madeWearer(3)
    const own = { ...choices, cloth: usualCloth() }
    const pair = { row: dress, wearer, there: null }
    const made = makeFit(pair, own, DEFAULT_TOLERANCES, NOW, counted())
    const again = reopenFit(pair, made, DEFAULT_TOLERANCES, NOW)
    expect(figuresOf(again, own)).toEqual(made.figures)
    const { garment } = foldPlan(dress.garment, [...dress.mends, ...made.plan], again.context)
    expect(garment).toEqual(again.folded.garment)
    expect(made.figures.seams).toBe(walkGarment(garment, garment.baseSizeId).seams.length)
    const lay = makeLay(
      garment,
      garment.baseSizeId,
      wantedOf(garment, Object.fromEntries(garment.pieces.map((p) => [p.id, p.cut.count]))),
      usualCloth(),
      {
        rounds: 300,
      },
    )
    expect(made.figures.clothMm).toBe(lay.ok && lengthToBuy(lay.value))
    expect(layOf(again, own, made.layOrders)).toEqual(lay)
  })
  it('that is there already is looked at as it is', () => {
    const there = splitProject(projects.find((p) => p.id === 'demo-blouse')!).fit
    const wearer = wearers.find((w) => w.id === there.wearerId)!
    const made = makeFit({ row: rowOf('demo-blouse'), wearer, there }, choices, DEFAULT_TOLERANCES, NOW, counted())
    expect(made.plan).toEqual(there.plan)
    expect(made.choices).toEqual(there.choices)
  })
  it('for somebody who was never measured is the pattern as bought', () => {
    const made = fitOf(dress, { id: 'nobody', name: 'Nobody yet', ownMeasures: [], sets: [] })
    expect(made.plan).toEqual([])
    expect(made.figures.sizes).toEqual([])
    expect(made.figures.left).toEqual([])
  })
  it('on cloth that is too narrow says so, and has all its other figures', () => {
    const made = fitOf(dress, wearers[0]!, { ...choices, cloth: { ...usualCloth(), widthMm: 250 } })
    expect(made.figures.clothMm).toBeNull()
    expect(made.figures.clothProblem).toMatch(/wide across its grain/)
    expect(made.figures.pages).toBeGreaterThan(0)
  })
  it('does not set a stop for everybody to the figures of one', () => {
    const pair = { row: dress, wearer: madeWearer(5), there: null }
    const { plan } = makeFit(pair, choices, DEFAULT_TOLERANCES, NOW, counted('mend'))
    const mended: GarmentRow = { ...dress, mends: plan.slice(0, 1) }
    const before = JSON.stringify(mended.mends)
    const made = fitOf(mended, madeWearer(8))
    expect(JSON.stringify(mended.mends)).toBe(before)
    expect(made.plan.length).toBeGreaterThan(0)
    expect(made.plan.every((c) => !mended.mends.some((m) => m.id === c.id))).toBe(true)
  })
})

describe('sharing a cut', () => {
  it('takes the fewest patterns that serve everybody: as trying all of them finds', () => {
    const dice = diceOf(11)
    for (let round = 0; round < 60; round++) {
      const count = 1 + Math.floor(dice() * 9)
      const at = Array.from({ length: count }, () => ({ x: dice() * 10, y: dice() * 10 }))
      const off = (a: number, b: number) => Math.hypot(at[a]!.x - at[b]!.x, at[a]!.y - at[b]!.y)
      const { cuts, isFewest } = shareCuts(count, off, 3)
      expect(isFewest).toBe(true)
      // Everybody once, and nobody further from the pattern than allowed.
      expect(cuts.flatMap((c) => c.members.map((m) => m.fit)).sort((a, b) => a - b)).toEqual(at.map((_, i) => i))
      for (const { pattern, members } of cuts) for (const m of members) expect(off(pattern, m.fit)).toBeLessThanOrEqual(3)
      let fewest = count
      for (let set = 1; set < 1 << count; set++) {
        const chosen = at.map((_, i) => i).filter((i) => set & (1 << i))
        if (chosen.length < fewest && at.every((_, i) => chosen.some((c) => off(c, i) <= 3))) fewest = chosen.length
      }
      expect(cuts).toHaveLength(fewest)
    }
  })
  it('of two hundred comes to an end', () => {
    const dice = diceOf(4)
    const at = Array.from({ length: 200 }, () => dice() * 100)
    const { cuts } = shareCuts(200, (a, b) => Math.abs(at[a]! - at[b]!), 1)
    expect(cuts.length).toBeLessThan(60)
    expect(new Set(cuts.flatMap((c) => c.members.map((m) => m.fit))).size).toBe(200)
  })

  const side = (garment: Garment) => outlined({ garment, sizeId: garment.baseSizeId, sizing: NO_SIZING, body: null })
  const opened = (seed: number) =>
    openFit({ row: dress, wearer: madeWearer(seed), there: null }, DEFAULT_TOLERANCES, NOW, counted()).folded.garment
  it('measures how far two fits are apart: nothing from itself, the same both ways, and less where it is laid well', () => {
    const [a, b] = [side(dress.garment), side(opened(2))]
    expect(fitsApart(a, a)).toBeLessThan(1e-6)
    expect(Math.abs(fitsApart(a, b) - fitsApart(b, a))).toBeLessThan(0.6)
    expect(fitsApart(a, b)).toBeGreaterThan(1)
    expect(fitsApart(a, b, 0.5)).toBe(Infinity)
  })
  it('knows a garment with other pieces for another one', () => {
    const fewer = { ...dress.garment, pieces: dress.garment.pieces.slice(1) }
    expect(fitsApart(side(dress.garment), side(fewer))).toBe(Infinity)
  })

  it('or a sheet: every piece has a line for each, as large as it is cut alone', () => {
    const fits = [1, 2, 3].map((seed) => ({ name: `Made ${seed}`, garment: opened(seed) }))
    const { sheet, tiling, full } = nestSheet(fits, { garmentName: 'Quay dress', date: '1 May 2026', ruler: 'cm' }, choices)
    expect(tiling.pages.length).toBeGreaterThan(0)
    for (const p of sheet.pieces) {
      expect([full, ...p.others.map((o) => o.name)].sort()).toEqual(fits.map((f) => f.name))
      for (const o of p.others) {
        const { garment } = fits.find((f) => f.name === o.name)!
        const piece = garment.pieces.find((q) => q.id === p.piece.id)!
        expect(Math.abs(measureArea(o.seamLine))).toBeCloseTo(
          Math.abs(measureArea(outlineOf(piece, shapeOf(piece, garment.baseSizeId)))),
          3,
        )
        expect(o.notches).toHaveLength(piece.notches.length)
        // Folds lie on each other: straight down on the left of these pieces.
        if (!piece.edges.some((e) => e.fold)) continue
        const leftOfLine = (path: typeof o.seamLine) => Math.min(...path.map((s) => s.from.x))
        expect(leftOfLine(o.seamLine)).toBeCloseTo(leftOfLine(p.seamLine), 3)
      }
    }
    const svg = writeSvg(sheet, 'Quay dress')
    for (const f of fits) expect(svg).toContain(f.name)
  })
})

describe('tables of many', () => {
  const made = fitOf(dress, wearers[0]!)
  it('have a row for each fit, and say why one came to nothing', () => {
    const text = writeManyCsv(
      [
        { wearer: '=the Cook', garment: dress.name, figures: made.figures },
        { wearer: 'the Bather', garment: dress.name, figures: 'It took too long.' },
      ],
      'cm',
    )
    const { data } = Papa.parse<Record<string, string>>(text.trim(), { header: true })
    expect(data).toHaveLength(2)
    expect(data[0]).toMatchObject({
      wearer: "'=the Cook",
      pages: String(made.figures.pages),
      faults: String(faultTotal(made.figures.faults)),
    })
    expect(data[0]!.sizes).toBe(sizesInWords(made.figures))
    expect(data[1]!.note).toBe('It took too long.')
  })
  it('say what to cut, piece by piece', () => {
    const lines = cutLines('the Cook', dress.name, dress.garment)
    expect(lines.map((l) => l.piece)).toEqual(dress.garment.pieces.map((p) => p.name))
    const { data } = Papa.parse<Record<string, string>>(writeCutCsv(lines, 'in').trim(), { header: true })
    expect(data.map((d) => Number(d['main cloth']))).toEqual(dress.garment.pieces.map((p) => p.cut.count))
  })
  it('names files so that every system takes them', () => {
    expect(plainName('../Ümit’s “coat”: 1/2')).toBe('ümit-s-coat-1-2')
    expect(plainName('///')).toBe('without-a-name')
  })
})
