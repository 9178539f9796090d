import { toExchangeDxf, toPlainDxf } from './dxf-files'
import { PDF_MANNERS, toPdfFile, type PdfManner } from './pdf-files'
import { corpusGarments, chances } from './garments'
import { drawSheet, type Hand, type Role, type Sheet } from './sheet'
import { SVG_MANNERS, toSvgFile, type SvgManner } from './svg-files'

export const DXF_MANNERS = ['exchange', 'exchange-inches', 'exchange-sizes', 'plain-dxf'] as const
export type Manner = SvgManner | (typeof DXF_MANNERS)[number] | PdfManner

export interface CorpusFile {
  name: string
  sheet: Sheet
  manner: Manner
  /** Words of it, or bytes where it is a PDF. */
  text: string
  bytes?: Uint8Array
}

export const isDxf = (manner: Manner): boolean => (DXF_MANNERS as readonly string[]).includes(manner)

/** Files of these manners lay every piece at one place, or their sheet is put together anew. */
export const isPlaced = (manner: Manner): boolean => !/^exchange|^pdf-cut|^pdf-whole/.test(manner)

const pick = <T>(list: readonly T[], chance: number): T => list[Math.floor(chance * list.length)]!

/** A maker's habits, drawn by lot. */
function handFor(chance: () => number, nested: boolean): Hand {
  const around: Role[] = []
  for (const role of ['background', 'frame', 'title', 'legend', 'test-square', 'scale-bar', 'logo', 'grid'] as const)
    if (chance() < (role === 'grid' ? 0.15 : 0.6)) around.push(role)
  return {
    lines: nested ? pick(['cut', 'seam'], chance()) : pick(['both', 'cut', 'seam'], chance()),
    grain: pick(['two-heads', 'one-head', 'filled-heads', 'one-shape', 'glyph', 'bare', 'marked', 'letter', 'one-stroke'], chance()),
    notch: pick(
      nested
        ? ['tick-in', 'tick-out', 'triangle', 'tee', 'across']
        : ['tick-in', 'tick-out', 'triangle', 'tee', 'across', 'cut-in', 'slit'],
      chance(),
    ),
    fold: pick(['bracket', 'headed-bracket', 'words', 'cut-words', 'line'], chance()),
    words: pick(
      ['lines', 'one-line', 'titled', 'numbered', 'shouted', 'materials', 'slashes', 'colons', 'below', 'behind-title'],
      chance(),
    ),
    turnDeg: pick([0, 0, 0, 90, 180, 30], chance()),
    chords: !nested && chance() < 0.25,
    twice: !nested && chance() < 0.2,
    inner: chance() < 0.3,
    parted: !nested && chance() < 0.25,
    around,
    sizes: nested ? ['40', '42'] : [],
    sizesNamed: 'key',
    shared: false,
  }
}

/** Two to five sizes without layers, named in one of the ways that are met with. */
function namedSizes(hand: Hand, chance: () => number): Hand {
  const sizesNamed = pick(['key', 'list', 'corners'] as const, chance())
  const around = sizesNamed === 'key' ? [...new Set<Role>([...hand.around, 'legend'])] : hand.around.filter((role) => role !== 'legend')
  return { ...hand, around, sizesNamed, sizes: ['40', '42', '44', '46'].slice(0, 1 + Math.floor(chance() * 4)) }
}

/** Every garment in every manner, each in a hand of its own. */
export function corpusFiles(seed: number, rounds = 2): CorpusFile[] {
  const chance = chances(seed * 7919 + 13)
  return Array.from({ length: rounds }, (_, round) => round).flatMap((round) =>
    corpusGarments(seed + round).flatMap((garment) =>
      SVG_MANNERS.map((manner): CorpusFile => {
        const drawn = handFor(chance, manner.startsWith('size'))
        const hand: Hand =
          manner === 'sizes-shared'
            ? { ...drawn, lines: 'seam', turnDeg: 0, shared: true }
            : manner === 'size-looks'
              ? namedSizes({ ...drawn, turnDeg: 0 }, chance)
              : drawn
        const sheet = drawSheet(garment, hand)
        return { name: `${garment.name} ${manner} ${round + 1}`, sheet, manner, text: toSvgFile(sheet, manner, seed + round) }
      }),
    ),
  )
}

/** Every garment as DXF: of the exchange standard in millimetres, in inches, with sizes; and as a plain drawing. */
export function corpusDxf(seed: number, rounds = 2): CorpusFile[] {
  const chance = chances(seed * 104729 + 5)
  return Array.from({ length: rounds }, (_, round) => round).flatMap((round) =>
    corpusGarments(seed + round).flatMap((garment) =>
      DXF_MANNERS.map((manner): CorpusFile => {
        const drawn = handFor(chance, manner === 'exchange-sizes')
        const hand: Hand = manner === 'plain-dxf' ? { ...drawn, twice: false } : { ...drawn, lines: 'both', turnDeg: 0, fold: 'line' }
        const sheet = drawSheet(garment, hand)
        const text = manner === 'plain-dxf' ? toPlainDxf(sheet) : toExchangeDxf(sheet, manner !== 'exchange-inches')
        return { name: `${garment.name} ${manner} ${round + 1}`, sheet, manner, text }
      }),
    ),
  )
}

/** By how much pages that are put together lie over each other, mm: usual ones, and such as nobody else prints. */
const OVERLAPS = [10, 10, 6.35, 9, 12.7, 17.5]

/** Every garment as a PDF: one large page, pages to be put together, layers of sizes. */
export async function corpusPdf(seed: number, rounds = 1): Promise<CorpusFile[]> {
  const chance = chances(seed * 15485863 + 3)
  const files: CorpusFile[] = []
  for (let round = 0; round < rounds; round++)
    for (const garment of corpusGarments(seed + round))
      for (const manner of PDF_MANNERS) {
        const drawn = handFor(chance, manner === 'pdf-size-layers')
        // A PDF has no arrows of its own, and a sheet of many pages no ground.
        const hand: Hand = { ...drawn, grain: drawn.grain === 'marked' ? 'two-heads' : drawn.grain }
        const sheet = drawSheet(garment, hand)
        files.push({
          name: `${garment.name} ${manner} ${round + 1}`,
          sheet,
          manner,
          text: '',
          bytes: await toPdfFile(sheet, manner, pick(OVERLAPS, chance())),
        })
      }
  return files
}
