/**
 * Writes some SVG files of the corpus as PDF through two converters of Debian (packages librsvg2-bin and python3-cairosvg) and as a browser
 * prints them (chromium), on one page or on many, for tests/corpus/converted.test.ts: `npm run convert-corpus [-- chromium]`. Needed anew only
 * where the corpus draws otherwise.
 */
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CONVERTED, convertedName, convertedSheets, type Converter } from '../tests/corpus/converted'

/** Pages of a sheet, mm: their size, their margin, and how much of the sheet each shows. */
const PAGE = { wide: 210, high: 297, margin: 10 }
const SHOWN = { wide: PAGE.wide - 2 * PAGE.margin, high: PAGE.high - 2 * PAGE.margin }

/** An SVG file as a page to print: whole, or cut into pages that are named by row and column. */
function htmlOf(svg: string, isCut: boolean): string {
  const drawing = svg.replace(/^<\?xml[^>]*\?>\s*/, '')
  const [wide, high] = ['width', 'height'].map((side) => Number(new RegExp(`<svg[^>]*\\b${side}="([\\d.]+)mm"`).exec(drawing)?.[1]))
  if (!wide || !high) throw new Error('only a file with its size in mm is printed')
  const sheet = (left: number, top: number) =>
    `<div style="position:absolute;left:${left}mm;top:${top}mm;width:${wide}mm;height:${high}mm">${drawing}</div>`
  const [columns, rows] = isCut ? [Math.ceil(wide / SHOWN.wide), Math.ceil(high / SHOWN.high)] : [0, 0]
  const pages = Array.from({ length: columns * rows }, (_, i) => {
    const [column, row] = [i % columns, Math.floor(i / columns)]
    const name = `<b>${String.fromCharCode(65 + row)}${column + 1}</b>`
    return `<section><div>${sheet(-column * SHOWN.wide, -row * SHOWN.high)}</div>${name}</section>`
  })
  const [pageWide, pageHigh] = isCut ? [PAGE.wide, PAGE.high] : [wide, high]
  return `<!doctype html><style>@page{size:${pageWide}mm ${pageHigh}mm;margin:0}body{margin:0}svg{display:block}
section{position:relative;width:${PAGE.wide}mm;height:${PAGE.high - 0.5}mm;overflow:hidden;break-after:page}
section div{position:absolute;left:${PAGE.margin}mm;top:${PAGE.margin}mm;width:${SHOWN.wide}mm;height:${SHOWN.high}mm;overflow:hidden}
section div div{overflow:visible}b{position:absolute;left:15mm;top:2mm}</style>${isCut ? pages.join('') : drawing}`
}

/** Prints a file in the browser. */
const printed =
  (isCut: boolean) =>
  (from: string, to: string): [string, string[]] => {
    const page = `${from}.html`
    writeFileSync(page, htmlOf(readFileSync(from, 'utf8'), isCut))
    return ['chromium', ['--headless', '--no-sandbox', '--disable-gpu', '--no-pdf-header-footer', `--print-to-pdf=${to}`, `file://${page}`]]
  }

const COMMANDS: Record<Converter, (from: string, to: string) => [string, string[]]> = {
  librsvg: (from, to) => ['rsvg-convert', ['-f', 'pdf', '--dpi-x', '96', '--dpi-y', '96', '-o', to, from]],
  cairosvg: (from, to) => ['/usr/bin/python3', ['-m', 'cairosvg', from, '-o', to]],
  chromium: printed(false),
  'chromium-pages': printed(true),
}

const out = join(import.meta.dirname, '..', 'tests', 'corpus', 'converted')
mkdirSync(out, { recursive: true })
const own = mkdtempSync(join(tmpdir(), 'tidal-seam-convert-'))
const sheets = convertedSheets()
const only = process.argv[2]
for (const [name, converter] of CONVERTED.filter(([, c]) => !only || c.startsWith(only))) {
  const from = join(own, 'drawing.svg')
  writeFileSync(from, sheets.get(name)!.text)
  const [command, args] = COMMANDS[converter](from, join(out, convertedName(name, converter)))
  execFileSync(command, args, { stdio: 'inherit' })
  console.log(convertedName(name, converter))
}
rmSync(own, { recursive: true })
