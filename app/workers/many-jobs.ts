import type { Wearer } from '~~/core/body'
import type { GarmentRow } from '~~/core/formats'
import { writeSvg } from '~~/core/formats'
import { writePdf, type PdfFonts } from '~~/core/formats/pdf-out'
import {
  cutLines,
  fitsApart,
  layOf,
  makeFit,
  nestSheet,
  outlined,
  reopenFit,
  shareCuts,
  type CutLine,
  type MadeFit,
  type ManyChoices,
  type Pair,
  type SharedCut,
} from '~~/core/many'
import { filesOf } from '~~/core/many/files-of'
import type { Tolerances } from '~~/core/match'
import type { Sheet } from '~~/core/paper'
import { NO_SIZING } from '~~/core/size'
import type { Ruler } from '~~/core/units'

/** A fit that was made, with what it is made of. */
export interface Made {
  pair: Pair
  made: Pick<MadeFit, 'choices' | 'plan' | 'layOrders'>
}

/** How what is written out looks. */
export interface WritingOf {
  date: string
  ruler: Ruler
  fonts: PdfFonts
}

const nowIso = () => new Date().toISOString()
const open = ({ pair, made }: Made, tolerances: Tolerances) => reopenFit(pair, made, tolerances, nowIso())

/** Fits of one garment, each by the name of its wearer. */
const nested = (list: readonly Made[], tolerances: Tolerances) =>
  list.map((m) => ({ name: m.pair.wearer.name, garment: open(m, tolerances).folded.garment }))

function nest(list: readonly Made[], tolerances: Tolerances, choices: ManyChoices, date: string, ruler: Ruler) {
  return nestSheet(nested(list, tolerances), { garmentName: list[0]!.pair.row.name, date, ruler }, choices)
}

/** What the workers of many fits do; each job stands by itself, and nothing is kept between two. */
export const manyJobs = {
  /** Works out one fit. */
  fit: (row: GarmentRow, wearer: Wearer, there: Pair['there'], choices: ManyChoices, tolerances: Tolerances): MadeFit =>
    makeFit({ row, wearer, there }, choices, tolerances, nowIso(), () => crypto.randomUUID()),

  /** All files of one fit, by name. */
  files(one: Made, choices: ManyChoices, tolerances: Tolerances, { date, ruler, fonts }: WritingOf): Promise<Record<string, Uint8Array>> {
    const opened = open(one, tolerances)
    return filesOf(opened, choices, { date, madeAt: new Date(), ruler, fonts }, layOf(opened, choices, one.made.layOrders))
  },

  /** What has to be cut of one fit. */
  cut: (one: Made, tolerances: Tolerances): CutLine[] =>
    cutLines(one.pair.wearer.name, one.pair.row.name, open(one, tolerances).folded.garment),

  /** Which fits of one garment can share a cut. */
  share(list: readonly Made[], tolerances: Tolerances, withinMm: number): { cuts: SharedCut[]; isFewest: boolean } {
    const sides = nested(list, tolerances).map(({ garment }) =>
      outlined({ garment, sizeId: garment.baseSizeId, sizing: NO_SIZING, body: null }),
    )
    const known = new Map<string, number>()
    const off = (a: number, b: number) => {
      const key = a < b ? `${a} ${b}` : `${b} ${a}`
      const mm = known.get(key) ?? fitsApart(sides[Math.min(a, b)]!, sides[Math.max(a, b)]!, withinMm)
      known.set(key, mm)
      return mm
    }
    return shareCuts(sides.length, off, withinMm)
  },

  /** The pieces with a line for everybody. */
  nest: (
    list: readonly Made[],
    tolerances: Tolerances,
    choices: ManyChoices,
    date: string,
    ruler: Ruler,
  ): { sheet: Sheet; full: string; pages: number } => {
    const { sheet, tiling, full } = nest(list, tolerances, choices, date, ruler)
    return { sheet, full, pages: tiling.pages.filter((p) => !p.empty).length }
  },

  /** The same as files. */
  async nestFiles(
    list: readonly Made[],
    tolerances: Tolerances,
    choices: ManyChoices,
    { date, ruler, fonts }: WritingOf,
  ): Promise<{ pdf: Uint8Array; svg: string }> {
    const { sheet, tiling } = nest(list, tolerances, choices, date, ruler)
    const { name } = list[0]!.pair.row
    const lines = [`${date} · for ${list.map((m) => m.pair.wearer.name).join(', ')}`, 'Each is cut along their own line.']
    return { pdf: await writePdf(sheet, tiling, { garmentName: name, lines }, fonts, new Date()), svg: writeSvg(sheet, name) }
  },
}
export type ManyJobs = typeof manyJobs
