/** A page of paper, mm. */
export interface PaperSize {
  name: string
  widthMm: number
  heightMm: number
}

/** Sheets that printers and print shops take. */
export const PAPER_SIZES = {
  a4: { name: 'A4', widthMm: 210, heightMm: 297 },
  letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
  a3: { name: 'A3', widthMm: 297, heightMm: 420 },
  a0: { name: 'A0', widthMm: 841, heightMm: 1189 },
} as const satisfies Record<string, PaperSize>

export type PaperId = keyof typeof PAPER_SIZES | 'roll'
export const PAPER_IDS = ['a4', 'letter', 'a3', 'a0', 'roll'] as const satisfies readonly PaperId[]

/** White rim that home printers leave, mm. */
export const MARGIN_MM = 10
/** How far neighbouring pages share the drawing, mm: a strip to glue on. */
export const OVERLAP_MM = 10

/** The widest margin and the roll widths that make sense, mm. */
export const MOST_MARGIN_MM = 40
export const ROLL_MM = { least: 250, usual: 914.4, most: 2000 }
/** A page of a file is no longer than this, mm: the longest that readers of PDF take (200 in). */
const LONGEST_PAGE_MM = 5000

/** What the drawing is printed on, as it was chosen. */
export interface PaperChoice {
  paper: PaperId
  /** Width of the roll, mm. */
  rollMm: number
  /** Rim that this printer leaves white, mm. */
  marginMm: number
}

/** The largest part of the sheet that fits the chosen paper across, mm. */
export const roomAcross = ({ paper, rollMm, marginMm }: PaperChoice): number =>
  (paper === 'roll' ? rollMm : PAPER_SIZES[paper].widthMm) - 2 * marginMm

/** The page for a sheet of such a height: a roll is cut off below the drawing. */
export function paperFor({ paper, rollMm, marginMm }: PaperChoice, sheetHeightMm: number): PaperSize {
  if (paper !== 'roll') return PAPER_SIZES[paper]
  return { name: 'roll', widthMm: rollMm, heightMm: Math.min(LONGEST_PAGE_MM, sheetHeightMm + 2 * marginMm) }
}
