import regularFont from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url'
import boldFont from '@fontsource/source-sans-3/files/source-sans-3-latin-700-normal.woff?url'
import type { PdfFonts } from '~~/core/formats/pdf-out'

const bytesOf = async (url: string): Promise<Uint8Array> => new Uint8Array(await (await fetch(url)).arrayBuffer())

/** The letters of printed pages: those of the screen, which ship with the application. */
export const pdfFonts = async (): Promise<PdfFonts> => ({ regular: await bytesOf(regularFont), bold: await bytesOf(boldFont) })
