// npm run try-change KIND: the change on every demo garment that it fits, before and after, in one picture.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { CHANGE_KINDS, contextOf, findKind } from '../core/changes'
import { contentsOf, toPathData } from '../core/formats'
import { boundsOf } from '../core/geometry'
import { DEFAULT_TOLERANCES } from '../core/match'
import { outlineOf, shapeOf, type Garment } from '../core/pattern'
import { problemSentence } from '../core/result'
import { writeLengths } from '../core/units'
import { demoWardrobe } from '../demo/wardrobe'
import { openBrowser } from './browser'

const USE = `Use: npm run try-change -- KIND [AMOUNT in mm, 20]\nKinds: ${CHANGE_KINDS.map((k) => k.kind).join(', ')}`
const [WIDE_MM, HIGH_MM, COLUMNS] = [1300, 1150, 4]

const escape = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
/** As much of a sentence as fits above its garment. */
const short = (text: string) => (text.length > 95 ? `${text.slice(0, 94)}…` : text)
const outlines = (garment: Garment) =>
  garment.pieces.map((p) => {
    const path = outlineOf(p, shapeOf(p, garment.baseSizeId))
    return { id: p.id, path, box: boundsOf(path) }
  })

/** One garment: its pieces in a row, as they were dashed, as they are in ink. */
function tile(name: string, before: Garment, after: Garment, caption: string): string {
  const [was, is] = [outlines(before), outlines(after)]
  let x = 20
  const drawn = is.map((o) => {
    const old = was.find((w) => w.id === o.id)
    const at = `translate(${x - o.box.minX} ${-o.box.minY})`
    x += o.box.maxX - o.box.minX + 40
    const shore = old
      ? `<path d="${toPathData(old.path, true)}" fill="none" stroke="#8a5a00" stroke-dasharray="14 10" stroke-width="3"/>`
      : ''
    return `<g transform="${at}">${shore}<path d="${toPathData(o.path, true)}" fill="#f5e7bf80" stroke="#14213d" stroke-width="3"/></g>`
  })
  const scale = Math.min(1, (WIDE_MM - 40) / x)
  return `<text x="20" y="44" font-size="34" font-weight="700">${escape(name)}</text><text x="20" y="82" font-size="26">${escape(short(caption))}</text><g transform="translate(0 110) scale(${scale})">${drawn.join('')}</g>`
}

async function run([name, amount]: string[]): Promise<void> {
  const kind = name === undefined ? undefined : findKind(name)
  const amountMm = Number(amount ?? 20)
  if (!kind || !Number.isFinite(amountMm)) throw new Error(USE)
  const tiles = contentsOf(demoWardrobe(new Date()).projects).garments.map(({ name: garmentName, garment }) => {
    const context = contextOf(garment, null, null, DEFAULT_TOLERANCES)
    const begun = kind.begin(garment, context)
    if (!begun.ok) return tile(garmentName, garment, garment, `does not begin: ${problemSentence(begun.problem)}`)
    const inputs = kind.withAmount?.(garment, begun.value, amountMm, context) ?? begun.value
    const done = kind.apply(garment, inputs, context)
    if (!done.ok) return tile(garmentName, garment, garment, `refused: ${writeLengths(problemSentence(done.problem), 'cm')}`)
    const broken = done.value.held.filter((h) => !h.held)
    const said = broken.length > 0 ? `broken: ${broken.map((h) => h.label).join(', ')}` : `held: ${done.value.held.length}`
    return tile(garmentName, garment, done.value.garment, `${kind.describe(garment, inputs).title}; ${said}`)
  })
  const rows = Math.ceil(tiles.length / COLUMNS)
  const [width, height] = [COLUMNS * WIDE_MM, rows * HIGH_MM]
  const body = tiles.map((t, i) => `<g transform="translate(${(i % COLUMNS) * WIDE_MM} ${Math.floor(i / COLUMNS) * HIGH_MM})">${t}</g>`)
  mkdirSync('test-results', { recursive: true })
  const file = resolve(join('test-results', `try-${kind.kind}`))
  writeFileSync(
    `${file}.svg`,
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif"><rect width="${width}" height="${height}" fill="#fff"/>${body.join('')}</svg>`,
  )
  const { driver, close } = await openBrowser(1600, Math.round((1600 * height) / width))
  try {
    await driver.get(`file://${file}.svg`)
    writeFileSync(`${file}.png`, Buffer.from(await driver.takeScreenshot(), 'base64'))
  } finally {
    await close()
  }
  console.log(`${file}.png`)
}

run(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exitCode = 2
})
