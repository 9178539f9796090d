import { DOMParser, type Element as XmlElement } from '@xmldom/xmldom'
import { ok, refuse, type Result } from '../result'
import { withEntities } from './svg-entities'

/** Bytes beyond which a file is not read: real pattern files are under 5 MB. */
const MAX_BYTES = 20_000_000

/** A refusal of a file that cannot be read as a drawing. */
export const badSvg = (where: string, message: string): Result<never> =>
  refuse('svg-unreadable', where, message, 'Save it again as plain SVG from the drawing program; nothing was changed here.')

/** The root element of an SVG file; refuses text that is too long, no whole XML, no SVG, or that declares entities of others. */
export function readRoot(text: string): Result<XmlElement> {
  if (text.length > MAX_BYTES)
    return refuse(
      'svg-too-large',
      'file',
      `it has ${Math.round(text.length / 1e6)} MB; up to ${MAX_BYTES / 1e6} MB are read.`,
      'Take pictures and hidden parts out of it and save it again; nothing was changed here.',
    )
  const whole = withEntities(text, MAX_BYTES)
  if (whole === null) return badSvg('file', 'it declares entities that are not read: from elsewhere, or of others.')
  let complaint: string | null = null
  let root: XmlElement | null = null
  try {
    const doc = new DOMParser({
      onError(level, message, context) {
        if (level !== 'warning')
          complaint ??= `${message} (line ${(context as { locator?: { lineNumber?: number } }).locator?.lineNumber ?? '?'})`
      },
    }).parseFromString(whole, 'image/svg+xml')
    root = doc.documentElement
  } catch (error) {
    complaint ??= String(error instanceof Error ? error.message : error).split('\n')[0]!
  }
  if (complaint || !root) {
    const at = /line (\d+)/i.exec(complaint ?? '') ?? /line:(\d+)/i.exec(complaint ?? '') ?? /@#\[line:(\d+)/.exec(complaint ?? '')
    return badSvg(at ? `line ${at[1]}` : 'file', 'it is not a whole XML file.')
  }
  return root.localName === 'svg' ? ok(root) : badSvg('file', 'it is not an SVG file.')
}
