import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import fontkit from '@pdf-lib/fontkit'
import type { DrawnShape } from '../core/formats'
import { cubic, line, mapPath, rotateAbout, type Path, type Point } from '../core/geometry'

// For tests: words as converters write them that send no font, each letter as the outlines of its glyph.

interface Glyph {
  path: { commands: { command: string; args: number[] }[] }
}
interface Font {
  unitsPerEm: number
  layout(text: string): { glyphs: Glyph[]; positions: { xAdvance: number; xOffset: number }[] }
}

const packages = createRequire(import.meta.url)
const FONTS = {
  sans: '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff',
  serif: '@fontsource/libre-caslon-text/files/libre-caslon-text-latin-400-normal.woff',
} as const
const fontOf = (name: keyof typeof FONTS) => fontkit.create(new Uint8Array(readFileSync(packages.resolve(FONTS[name])))) as unknown as Font

/** A line of words: where it begins, how large its letters are, and which way it runs, from the x axis toward y. */
export interface Words {
  text: string
  at: Point
  sizeMm: number
  angleRad?: number
  font?: keyof typeof FONTS
}

/** The outlines of a line of words, each a closed path, mm. */
export function lettersOf({ text, at, sizeMm, angleRad = 0, font = 'sans' }: Words): Path[] {
  const own = fontOf(font)
  const times = sizeMm / own.unitsPerEm
  const { glyphs, positions } = own.layout(text)
  const outlines: Path[] = []
  let x = 0
  glyphs.forEach((glyph, i) => {
    const place = (px: number, py: number): Point => ({ x: (x + positions[i]!.xOffset + px) * times, y: -py * times })
    let here: Point = { x: 0, y: 0 }
    let first = here
    let open: Path[number][] = []
    for (const { command, args } of glyph.path.commands) {
      const p = (k: number) => place(args[k]!, args[k + 1]!)
      if (command === 'moveTo') {
        here = first = p(0)
        open = []
      } else if (command === 'closePath') {
        if (Math.hypot(here.x - first.x, here.y - first.y) > 1e-9) open.push(line(here, first))
        if (open.length > 0) outlines.push(open)
        open = []
      } else {
        const to = p(args.length - 2)
        if (command === 'lineTo') open.push(line(here, to))
        else if (command === 'quadraticCurveTo') {
          const c = p(0)
          const toward = (a: Point): Point => ({ x: a.x + ((c.x - a.x) * 2) / 3, y: a.y + ((c.y - a.y) * 2) / 3 })
          open.push(cubic(here, toward(here), toward(to), to))
        } else open.push(cubic(here, p(0), p(2), to))
        here = to
      }
    }
    x += positions[i]!.xAdvance
  })
  const placed = (p: Point) => {
    const turned = rotateAbout(p, { x: 0, y: 0 }, angleRad)
    return { x: turned.x + at.x, y: turned.y + at.y }
  }
  return outlines.map((path) => mapPath(path, placed))
}

/** Outlines as the areas that a reader finds in a file. */
export const asAreas = (outlines: readonly Path[]): DrawnShape[] =>
  outlines.map((path, index) => ({
    index,
    name: '',
    groups: [],
    style: 'none',
    isDashed: false,
    isArea: true,
    hasMarkers: false,
    path,
    closed: true,
  }))
