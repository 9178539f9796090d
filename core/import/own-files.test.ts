import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { describe, expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan } from '../changes'
import { stopsOf, writePlainDxf, writeSvg, writeTradeDxf } from '../formats'
import { writePdf } from '../formats/pdf-out'
import { distance, flattenPath, mapPath, measureLength, nearestPlace, type Path, type Point } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { finishedMeasures, NO_ZONING } from '../measure'
import { drawPieces, MARGIN_MM, sheetFor } from '../paper'
import { edgePath, findPiece, notchPlace, outlineOf, shapeOf, type Garment, type Piece } from '../pattern'
import { bringIn, drawingOf, gridFor, openFile } from './index'

/** What goes out comes back to this, mm; curves of DXF are chords. */
const TRUE_MM = 0.02
/** A notch is a stroke across its seam: where a curve was written as chords, it meets them beside its place. */
const NOTCH_MM = 0.15

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const font = (w: number) =>
  new Uint8Array(
    readFileSync(createRequire(import.meta.url).resolve(`@fontsource/source-sans-3/files/source-sans-3-latin-${w}-normal.woff`)),
  )
const fonts = { regular: font(400), bold: font(700) }
const toBytes = (text: string) => new TextEncoder().encode(text)

/** The altered garment of a project as a file of a format, in all its sizes or the one that lies on the table. */
async function written(format: string, name: string, garment: Garment, isInAll: boolean): Promise<Uint8Array> {
  const ids = garment.sizes.map((s) => s.id)
  if (format === 'dxf') return toBytes(writeTradeDxf(garment, isInAll ? ids : [garment.baseSizeId], name))
  const words = {
    garmentName: name,
    wearerName: 'the Cook',
    sizeName: garment.sizes.find((s) => s.id === garment.baseSizeId)!.name,
    date: '1 May 2026',
    changes: [],
    ruler: 'cm' as const,
  }
  const { sheet, tiling } = sheetFor(drawPieces(garment, garment.baseSizeId, words, { otherSizes: isInAll ? ids : [] }), {
    paper: format === 'pdf on a4' ? 'a4' : 'roll',
    rollMm: 914,
    marginMm: MARGIN_MM,
  })
  if (format === 'svg') return toBytes(writeSvg(sheet, name))
  if (format === 'plain dxf') return toBytes(writePlainDxf(sheet))
  return writePdf(sheet, tiling, { garmentName: name, lines: [] }, fonts, new Date(0))
}

/** A file brought in by first guesses alone. */
async function broughtBack(bytes: Uint8Array): Promise<Garment> {
  const opened = await openFile(bytes)
  if (!opened.ok) throw new Error(opened.problem.message)
  const drawing = drawingOf(opened.value, gridFor(opened.value))
  if (!drawing.ok) throw new Error(drawing.problem.message)
  const brought = bringIn(drawing.value)
  if (!brought.ok) throw new Error(brought.problem.message)
  return brought.value.garment
}

const farthest = (line: Path, from: Path) => Math.max(...flattenPath(line, 0.5).map((p) => nearestPlace(from, p).distanceMm))
const notchesOf = (piece: Piece, sizeId: string): Point[] =>
  piece.notches.map((n) => notchPlace(piece, shapeOf(piece, sizeId), n.id, measureLength)!.point)
/** A zone round the body is as wide as it was to this, mm. */
const ZONE_MM = 0.1

/** Lengths along a seam are told in steps, mm: the cap of an under sleeve is parted where it lies lowest, 3 mm beside its corner. */
const STEP_MM = 20

/** A seam as its two sides, each as the pieces that it runs along with how far, in order; whichever side and end were written first. */
const seamsOf = (garment: Garment): string[] =>
  garment.seams
    .map(({ sides }) => {
      const way = sides.map((side) =>
        side
          .map((run) => ({
            name: findPiece(garment, run.pieceId)!.name,
            mm: measureLength(edgePath(shapeOf(findPiece(garment, run.pieceId)!, garment.baseSizeId), run.edgeId)),
          }))
          .reduce<{ name: string; mm: number }[]>((all, next) => {
            const last = all.at(-1)
            return last?.name === next.name ? [...all.slice(0, -1), { name: last.name, mm: last.mm + next.mm }] : [...all, next]
          }, [])
          .map(({ name, mm }) => `${name} ${Math.round(mm / STEP_MM) * STEP_MM}`),
      )
      const told = (list: readonly (readonly string[])[]) =>
        list
          .map((side) => side.join(', '))
          .sort()
          .join(' to ')
      return [told(way), told(way.map((side) => [...side].reverse()))].sort()[0]!
    })
    .sort()
const measuredOn = (garment: Garment) => finishedMeasures(garment, garment.baseSizeId, NO_ZONING)
const factsOf = ({ pieces }: Garment) =>
  pieces
    .map((p) => ({
      name: p.name,
      cut: p.cut,
      isOnFold: p.edges.some((e) => e.fold),
      notches: p.notches.length,
      darts: p.darts.length,
      points: p.points.length,
      lines: p.lines.map((l) => l.role).sort(),
      allowances: [...new Set(p.edges.filter((e) => !e.fold && e.role !== 'dart-leg').map((e) => e.allowanceMm))].sort((a, b) => a - b),
    }))
    .sort((a, b) => (a.name < b.name ? -1 : 1))

/** One of each sort: for the formats that take longest, of which only PDF on pages has to be put together again. */
const SORTS = ['demo-blouse', 'demo-tapered', 'demo-bather', 'demo-dress', 'demo-jacket', 'demo-tunic', 'demo-harper']
const cases = projects.flatMap(({ id, garment }) =>
  ['svg', 'dxf', 'plain dxf', 'pdf on a4', 'pdf on a roll']
    .filter((format) => format === 'svg' || format === 'dxf' || SORTS.includes(id))
    .map((format) => ({ id, format, sizes: garment.sizes.length })),
)

describe.each(cases)('$id as it was altered, written as $format in $sizes sizes', ({ id, format }) => {
  it('comes back as it was: names, counts, folds, notches, darts, levels, zones, allowances, seams, and its lines in every size', async () => {
    const project = projects.find((p) => p.id === id)!
    const context = contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
    const { garment } = foldPlan(project.garment, stopsOf(project), context)
    const isInAll = garment.sizes.length > 1
    const back = await broughtBack(await written(format, project.name, garment, isInAll))
    expect(factsOf(back)).toEqual(factsOf(garment))
    expect(seamsOf(back)).toEqual(seamsOf(garment))
    expect(measuredOn(back).map((m) => m.id)).toEqual(measuredOn(garment).map((m) => m.id))
    for (const [i, { id, mm }] of measuredOn(garment).entries()) expect(Math.abs(measuredOn(back)[i]!.mm - mm), id).toBeLessThan(ZONE_MM)
    expect(isInAll ? back.sizes.map((s) => s.name) : []).toEqual(isInAll ? garment.sizes.map((s) => s.name) : [])
    for (const piece of garment.pieces) {
      const own = back.pieces.find((p) => p.name === piece.name)!
      // It was laid out anew: moved as a whole, as its grain tells.
      const [from, to] = [shapeOf(piece, garment.baseSizeId).grain.from, shapeOf(own, back.baseSizeId).grain.from]
      const home = (p: Point): Point => ({ x: p.x - from.x + to.x, y: p.y - from.y + to.y })
      for (const { id: sizeId, name } of garment.sizes) {
        const theirs = isInAll ? back.sizes.find((s) => s.name === name)!.id : back.baseSizeId
        const line = mapPath(outlineOf(piece, shapeOf(piece, sizeId)), home)
        const returned = outlineOf(own, shapeOf(own, theirs))
        expect(Math.max(farthest(line, returned), farthest(returned, line)), `${piece.name} in ${name}`).toBeLessThan(TRUE_MM)
        const places = notchesOf(own, theirs)
        for (const at of notchesOf(piece, sizeId).map(home))
          expect(Math.min(...places.map((p) => distance(p, at))), `${piece.name} in ${name}`).toBeLessThan(NOTCH_MM)
      }
    }
  })
})
