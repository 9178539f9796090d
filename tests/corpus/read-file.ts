import type { Drawing } from '../../core/formats'
import { drawingOf, openFile } from '../../core/import'
import type { Result } from '../../core/result'
import type { CorpusFile } from './files'

/** A file of the corpus as a drawing, by first guesses alone. */
export async function readFile(file: CorpusFile): Promise<Result<Drawing>> {
  const kept = await openFile(file.bytes ?? new TextEncoder().encode(file.text))
  return kept.ok ? drawingOf(kept.value) : kept
}
