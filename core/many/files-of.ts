import { layWords } from '../cloth'
import { contentsOf, writeProjectFile, writeSvg, writeTradeDxf } from '../formats'
import type { LayOnPage } from '../formats/pdf-lay'
import { writePdf, type PdfFonts } from '../formats/pdf-out'
import { writeTextPdf } from '../formats/pdf-text'
import type { Ruler } from '../units'
import type { ManyChoices } from './choices'
import { cardSections, notebookSections, stepSections } from './fit-pages'
import { layOf, sheetsOf, wordsOf, type OpenedFit, type Pair } from './made-fit'

/** A name that every file system takes: letters, figures and hyphens. */
export const plainName = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'without-a-name'

/** A folder for each fit of a batch: the wearer’s, and in it the garment’s; no two the same. */
export function foldersFor(pairs: readonly Pick<Pair, 'row' | 'wearer'>[]): string[] {
  const used = new Set<string>()
  return pairs.map(({ row, wearer }) => {
    const own = `${plainName(wearer.name)}/${plainName(row.name)}`
    let folder = own
    for (let n = 2; used.has(folder); n++) folder = `${own}-${n}`
    used.add(folder)
    return folder
  })
}

/** How files are written. */
export interface Writing {
  /** The day, as it stands on the paper. */
  date: string
  madeAt: Date
  ruler: Ruler
  fonts: PdfFonts
}

/**
 * All files of one fit, by name: sheets with the lay, pieces as SVG and DXF, the notebook with its steps, cutting cards, and the project file that opens
 * it again.
 * @param lay its cloth, where it was laid already
 */
export async function filesOf(
  opened: OpenedFit,
  choices: ManyChoices,
  { date, madeAt, ruler, fonts }: Writing,
  lay = layOf(opened, choices),
): Promise<Record<string, Uint8Array>> {
  const { project, wearer, folded } = opened
  const { garment } = folded
  const words = wordsOf(opened, date, ruler)
  const { sheet, tiling } = sheetsOf(opened, words, choices)
  const lays: LayOnPage[] = lay?.ok ? [{ ...layWords(lay.value, 'main', ruler), lay: lay.value }] : []
  const lines = [
    [`for ${wearer.name}`, date, `size: ${words.sizeName}`].join(' · '),
    words.changes.length > 0 ? `Changed: ${words.changes.join('; ')}.` : 'As bought.',
  ]
  const title = { name: project.name, line: `for ${wearer.name}, ${date}` }
  const text = (content: string) => new TextEncoder().encode(content)
  const page = (sections: Parameters<typeof writeTextPdf>[1]) => writeTextPdf(title, sections, fonts, madeAt)
  return {
    'sheets.pdf': await writePdf(sheet, tiling, { garmentName: project.name, lines }, fonts, madeAt, lays),
    'pieces.svg': text(writeSvg(sheet, project.name)),
    'pieces.dxf': text(
      writeTradeDxf(
        garment,
        garment.sizes.map((s) => s.id),
        project.name,
      ),
    ),
    'notebook.pdf': await page([...notebookSections(opened, ruler), ...stepSections(opened, ruler)]),
    'cutting-cards.pdf': await page(cardSections(garment, ruler)),
    'fit.json': text(writeProjectFile(contentsOf([project], [wearer]), madeAt)),
  }
}
