import Papa from 'papaparse'
import { faultTotal } from '../advice'
import { cuttingCards, usualCounts } from '../cloth'
import { toCell } from '../csv-cell'
import type { Garment } from '../pattern'
import { formatLength, writeLengths, type Ruler } from '../units'
import type { FitFigures } from './made-fit'

/** One row of the table of many. */
export interface ManyRow {
  wearer: string
  garment: string
  /** What it came to, or why it came to nothing, a sentence. */
  figures: FitFigures | string
}

const COLUMNS = ['wearer', 'garment', 'sizes', 'stops', 'not done', 'left over', 'seams', 'faults', 'pages', 'cloth', 'note'] as const

/** Sizes of a fit in words: one where all zones have the same. */
export function sizesInWords({ sizes }: Pick<FitFigures, 'sizes'>): string {
  const own = new Set(sizes.map((s) => s.size))
  if (own.size <= 1) return sizes[0]?.size ?? ''
  return sizes.map((s) => `${s.zone} ${s.size}`).join(', ')
}

/** The table of many as CSV; lengths by a ruler. */
export function writeManyCsv(rows: readonly ManyRow[], ruler: Ruler): string {
  const data = rows.map(({ wearer, garment, figures: f }) => {
    if (typeof f === 'string') return [toCell(wearer), toCell(garment), '', '', '', '', '', '', '', '', toCell(writeLengths(f, ruler))]
    return [
      toCell(wearer),
      toCell(garment),
      toCell(sizesInWords(f)),
      f.stops,
      f.stuck.join('; '),
      f.left.map((l) => `${l.name} ${formatLength(Math.abs(l.leftMm), ruler)} ${l.leftMm > 0 ? 'too little' : 'too much'}`).join('; '),
      f.seams,
      faultTotal(f.faults),
      f.pages,
      f.clothMm === null ? '' : formatLength(f.clothMm, ruler),
      f.clothProblem === null ? '' : writeLengths(f.clothProblem, ruler),
    ]
  })
  return `${Papa.unparse({ fields: [...COLUMNS], data })}\r\n`
}

/** One line of what has to be cut for everybody. */
export interface CutLine {
  wearer: string
  garment: string
  piece: string
  main: number
  lining: number
  interfacing: number
  onFold: boolean
  alongMm: number
  acrossMm: number
}

/** What has to be cut of one fit, piece by piece. */
export const cutLines = (wearer: string, name: string, garment: Garment): CutLine[] =>
  cuttingCards(garment, garment.baseSizeId, usualCounts).map((c) => ({
    wearer,
    garment: name,
    piece: c.name,
    ...c.counts,
    onFold: c.onFold,
    alongMm: c.alongMm,
    acrossMm: c.acrossMm,
  }))

/** The cutting list as CSV; lengths by a ruler. */
export function writeCutCsv(lines: readonly CutLine[], ruler: Ruler): string {
  const fields = ['wearer', 'garment', 'piece', 'main cloth', 'lining', 'interfacing', 'on the fold', 'along the grain', 'across']
  const data = lines.map((l) => [
    toCell(l.wearer),
    toCell(l.garment),
    toCell(l.piece),
    l.main,
    l.lining,
    l.interfacing,
    l.onFold ? 'yes' : '',
    formatLength(l.alongMm, ruler),
    formatLength(l.acrossMm, ruler),
  ])
  return `${Papa.unparse({ fields, data })}\r\n`
}
