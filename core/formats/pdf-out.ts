import type { Sheet, Tiling } from '../paper'
import { addFrontPages, type PdfTitle } from './pdf-front'
import { addLayPage, type LayOnPage } from './pdf-lay'
import { addLayers, LAYERS, otherCut, otherSeam } from './pdf-layers'
import { otherSizes } from './pdf-lines'
import { openDocument, type PdfFonts } from './pdf-pen'
import { addTilePage } from './pdf-tile'

export type { PdfFonts } from './pdf-pen'

/**
 * Writes a sheet as a true-scale PDF: a first page with the test squares and the page map, then one page per tile that
 * has something on it.
 * @param now date written into the file's data
 * @param lays cloths with the pieces on them, a page each
 */
export async function writePdf(
  sheet: Sheet,
  tiling: Tiling,
  title: PdfTitle,
  fonts: PdfFonts,
  now: Date,
  lays: readonly LayOnPage[] = [],
): Promise<Uint8Array> {
  const { doc, fonts: embedded } = await openDocument(title.garmentName, fonts, now)
  const others = otherSizes(sheet)
  const layers = addLayers(doc, [...Object.values(LAYERS), ...others.map(otherCut)], others.map(otherSeam))
  addFrontPages(doc, sheet, tiling, title, embedded, layers)
  for (const lay of lays) addLayPage(doc, tiling.paper, lay, embedded, (page, drawing) => layers.within(page, LAYERS.cloth, drawing))
  for (const tile of tiling.pages) if (!tile.empty) addTilePage(doc, sheet, tiling, tile, title, embedded, layers)
  return doc.save()
}
