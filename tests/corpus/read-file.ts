import { readDxf, readPdf, readSvg, type Drawing } from '../../core/formats'
import { assemblePages, proposeGrid } from '../../core/import'
import type { Result } from '../../core/result'
import { isDxf, type CorpusFile } from './files'

/** A file of the corpus as a drawing, by first guesses alone. */
export async function readFile(file: CorpusFile): Promise<Result<Drawing>> {
  if (!file.bytes) return isDxf(file.manner) ? readDxf(file.text) : readSvg(file.text)
  const pages = await readPdf(file.bytes)
  return pages.ok ? assemblePages(pages.value, proposeGrid(pages.value)) : pages
}
