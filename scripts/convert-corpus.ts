/**
 * Writes some SVG files of the corpus as PDF through two converters of Debian (packages librsvg2-bin and python3-cairosvg), for
 * tests/corpus/converted.test.ts: `npm run convert-corpus`. Needed anew only where the corpus draws otherwise.
 */
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CONVERTED, convertedName, convertedSheets, type Converter } from '../tests/corpus/converted'

const COMMANDS: Record<Converter, (from: string, to: string) => [string, string[]]> = {
  librsvg: (from, to) => ['rsvg-convert', ['-f', 'pdf', '--dpi-x', '96', '--dpi-y', '96', '-o', to, from]],
  cairosvg: (from, to) => ['/usr/bin/python3', ['-m', 'cairosvg', from, '-o', to]],
}

const out = join(import.meta.dirname, '..', 'tests', 'corpus', 'converted')
mkdirSync(out, { recursive: true })
const own = mkdtempSync(join(tmpdir(), 'tidal-seam-convert-'))
const sheets = convertedSheets()
for (const [name, converter] of CONVERTED) {
  const from = join(own, 'drawing.svg')
  writeFileSync(from, sheets.get(name)!.text)
  const [command, args] = COMMANDS[converter](from, join(out, convertedName(name, converter)))
  execFileSync(command, args, { stdio: 'inherit' })
  console.log(convertedName(name, converter))
}
rmSync(own, { recursive: true })
