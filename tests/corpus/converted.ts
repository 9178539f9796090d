import { corpusFiles, type CorpusFile } from './files'

/**
 * Programs that write an SVG file as PDF: layers, and the names of things, are lost on the way. A browser prints dashes as small areas,
 * one by one, and cuts a sheet into pages at whole points of its screen.
 */
export type Converter = 'librsvg' | 'cairosvg' | 'chromium' | 'chromium-pages'

/** Which files of the corpus were converted, and by what. */
export const CONVERTED: [name: string, by: Converter][] = [
  ['Harbour Coat size-layers 1', 'librsvg'],
  ['Dockside Overall sizes-shared 1', 'librsvg'],
  ['Shingle Skirt flat 1', 'librsvg'],
  ['Harbour Coat points 1', 'cairosvg'],
  ['Shingle Skirt size-layers 1', 'cairosvg'],
  ['Dockside Overall by-hand 1', 'cairosvg'],
  ['Harbour Coat by-hand 1', 'chromium'],
  ['Shingle Skirt by-hand 1', 'chromium-pages'],
]

export const convertedName = (name: string, by: Converter): string => `${name.toLowerCase().replaceAll(' ', '-')}.${by}.pdf`

/** The drawings that were converted, by name. */
export const convertedSheets = (): Map<string, CorpusFile> => new Map(corpusFiles(21, 1).map((f) => [f.name, f]))
