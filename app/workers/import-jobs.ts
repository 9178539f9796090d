import type { Drawing, PageProgress, PdfPage } from '~~/core/formats'
import {
  assemble,
  drawingOf,
  gridFor,
  gridInRows,
  makeDrafts,
  openFile,
  pagesOf,
  scaleIn,
  withLayersSaid,
  withRuleTable,
  withWordsRead,
  type Assembled,
  type Draft,
  type FoundScale,
  type GridChoice,
  type LayerRole,
  type ImportProgress,
  type PageGrid,
  type PieceDraft,
} from '~~/core/import'
import type { Result } from '~~/core/result'

let last: { key: string; read: Result<Drawing> } | null = null

/** What the import worker does; also done on the spot where there are no workers. */
export const importJobs = {
  /** What is kept of a file, and how the pages of a PDF lie. */
  async open(bytes: Uint8Array, progress?: PageProgress): Promise<Result<{ text: string; grid: PageGrid | null }>> {
    const kept = await openFile(bytes, progress)
    return kept.ok ? { ok: true, value: { text: kept.value, grid: gridFor(kept.value) } } : kept
  },

  /** A kept file with the words that are drawn in it as shapes; the file as it is where it has none. @throws where they cannot be read */
  async readWords(text: string, heard: () => void): Promise<{ text: string; grid: PageGrid | null }> {
    const { wordReader } = await import('./read-words')
    const reader = wordReader(heard)
    const worded = await withWordsRead(text, reader.read, (kept) => importJobs.read(kept)).finally(reader.end)
    return { text: worded, grid: gridFor(worded) }
  },

  /** A kept DXF with the rule table that goes with it. */
  addRules: (text: string, bytes: Uint8Array): Result<string> => withRuleTable(text, bytes),

  /** The drawing in a kept file. */
  read(text: string, grid: PageGrid | null = null): Result<Drawing> {
    const key = `${JSON.stringify(grid)}${text}`
    if (last?.key !== key) last = { key, read: drawingOf(text, grid) }
    return last.read
  },

  /** The pages of a kept PDF. */
  pages: (text: string): PdfPage[] => pagesOf(text) ?? [],

  /** Pages laid as a person says. */
  layPages: (text: string, choice: GridChoice): PageGrid | null => {
    const pages = pagesOf(text)
    return pages && gridInRows(pages, choice)
  },

  /** How large the test square or scale bar in a drawing is, and how large it says it should be. */
  scale(text: string, grid: PageGrid | null): FoundScale {
    const read = importJobs.read(text, grid)
    const found = read.ok ? scaleIn(read.value) : read
    return found.ok ? found.value : null
  },

  /** The outlines of a file at a scale, its layers read as a person says, with first guesses. */
  drafts(
    text: string,
    grid: PageGrid | null,
    times: number,
    layers: Record<string, LayerRole>,
    progress?: ImportProgress,
  ): Result<Draft[]> {
    const read = importJobs.read(text, grid)
    return read.ok ? makeDrafts(withLayersSaid(read.value, layers), times, progress) : read
  },

  /** The drafts of the tray as one garment. */
  assemble: (drafts: PieceDraft[]): Assembled => assemble(drafts),
}

export type ImportJobs = typeof importJobs
