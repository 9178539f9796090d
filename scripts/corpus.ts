/** Prints how well files drawn in many manners come in: `npm run corpus -- --seed 1 --rounds 2 --wrong`. */
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { readDxf, readSvg } from '../core/formats'
import { makeDrafts } from '../core/import'
import { corpusDxf, corpusFiles, isDxf, isPlaced } from '../tests/corpus/files'
import { judge, noRates, type Rates } from '../tests/corpus/judge'

const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    rounds: { type: 'string', default: '2' },
    wrong: { type: 'boolean' },
    out: { type: 'string' },
  },
})

const byManner = new Map<string, Rates>()
const whole = noRates()
let slowest = 0
const [seed, rounds] = [Number(values.seed), Number(values.rounds)]
for (const file of [...corpusFiles(seed, rounds), ...corpusDxf(seed, rounds)]) {
  if (values.out) {
    mkdirSync(values.out, { recursive: true })
    writeFileSync(join(values.out, `${file.name.replace(/ /g, '-')}.${isDxf(file.manner) ? 'dxf' : 'svg'}`), file.text)
  }
  const began = performance.now()
  const read = isDxf(file.manner) ? readDxf(file.text) : readSvg(file.text)
  const drafts = read.ok ? makeDrafts(read.value, 1) : read
  slowest = Math.max(slowest, performance.now() - began)
  const rates = byManner.get(file.manner) ?? noRates()
  byManner.set(file.manner, rates)
  for (const r of [rates, whole]) {
    if (drafts.ok) judge(file.sheet, drafts.value, r, true, `${file.name} [${JSON.stringify(file.sheet.hand)}]`, isPlaced(file.manner))
    else r.wrong.push(`${file.name}: ${drafts.problem.where}: ${drafts.problem.message}`)
  }
}
const KEYS = ['pieces', 'names', 'counts', 'folds', 'grains', 'notches', 'darts'] as const
const share = ([good, of]: [number, number]) => `${good}/${of}`.padStart(9)
console.log(['manner'.padEnd(16), ...KEYS.map((k) => k.padStart(9)), '   false'].join(' '))
for (const [name, r] of [...byManner, ['all', whole] as const])
  console.log([name.padEnd(16), ...KEYS.map((k) => share(r[k])), String(r.falsePieces).padStart(8)].join(' '))
console.log(`slowest file ${slowest.toFixed(0)} ms`)
if (values.wrong) for (const w of whole.wrong) console.log(w)
