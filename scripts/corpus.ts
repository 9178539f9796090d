/**
 * Prints how well files drawn in many manners come in: `npm run corpus -- --seed 1 --rounds 2 --only pdf --wrong`. With `--as-shapes`
 * those that are a PDF of one page are first written as SVG by a converter (pdftocairo of poppler-utils), which draws every word as the
 * outlines of its letters.
 */
import { execFileSync } from 'node:child_process'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { drawingOf, makeDrafts, withWordsRead } from '../core/import'
import { corpusDxf, corpusFiles, corpusPdf, isDxf, isPlaced } from '../tests/corpus/files'
import { readFile } from '../tests/corpus/read-file'
import { judge, noRates, type Rates } from '../tests/corpus/judge'
import { wordReader } from './core/read-words'

const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    rounds: { type: 'string', default: '2' },
    wrong: { type: 'boolean' },
    only: { type: 'string' },
    out: { type: 'string' },
    'as-shapes': { type: 'boolean' },
  },
})

/** Manners that are a PDF of one page. */
const ONE_PAGE = ['pdf-large', 'pdf-size-layers']
const reader = wordReader()
/** The drawing of a PDF once a converter has made an SVG of it. */
async function readAsShapes(bytes: Uint8Array) {
  const svg = execFileSync('pdftocairo', ['-svg', '-', '-'], { input: bytes, maxBuffer: 1 << 28 }).toString()
  return drawingOf(await withWordsRead(svg, reader.read))
}

const byManner = new Map<string, Rates>()
const whole = noRates()
let slowest = 0
const [seed, rounds] = [Number(values.seed), Number(values.rounds)]
for (const file of [...corpusFiles(seed, rounds), ...corpusDxf(seed, rounds), ...(await corpusPdf(seed, rounds))]) {
  if (values.only && !file.manner.startsWith(values.only)) continue
  if (values['as-shapes'] && !ONE_PAGE.includes(file.manner)) continue
  if (values.out) {
    mkdirSync(values.out, { recursive: true })
    const ending = file.bytes ? 'pdf' : isDxf(file.manner) ? 'dxf' : 'svg'
    writeFileSync(join(values.out, `${file.name.replace(/ /g, '-')}.${ending}`), file.bytes ?? file.text)
  }
  const began = performance.now()
  const read = values['as-shapes'] ? await readAsShapes(file.bytes!) : await readFile(file)
  const drafts = read.ok ? makeDrafts(read.value, 1) : read
  slowest = Math.max(slowest, performance.now() - began)
  const rates = byManner.get(file.manner) ?? noRates()
  byManner.set(file.manner, rates)
  const name = `${file.name} [${JSON.stringify(file.sheet.hand)}]`
  for (const r of [rates, whole]) {
    if (drafts.ok) judge(file.sheet, drafts.value, r, true, name, isPlaced(file.manner))
    else r.wrong.push(`${name}: ${drafts.problem.where}: ${drafts.problem.message}`)
  }
}
await reader.end()
const KEYS = ['pieces', 'names', 'counts', 'folds', 'grains', 'notches', 'darts', 'places', 'sizes'] as const
const share = ([good, of]: [number, number]) => `${good}/${of}`.padStart(9)
console.log(['manner'.padEnd(16), ...KEYS.map((k) => k.padStart(9)), '   false'].join(' '))
for (const [name, r] of [...byManner, ['all', whole] as const])
  console.log([name.padEnd(16), ...KEYS.map((k) => share(r[k])), String(r.falsePieces).padStart(8)].join(' '))
console.log(`slowest file ${slowest.toFixed(0)} ms`)
if (values.wrong) for (const w of whole.wrong) console.log(w)
