import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { corpusGarments } from '../corpus/garments'
import { toPdfFile } from '../corpus/pdf-files'
import { drawSheet, type Hand } from '../corpus/sheet'
import { toSvgFile } from '../corpus/svg-files'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, retype } = app
beforeAll(() => app.freshDemo())

const HAND: Hand = {
  lines: 'seam',
  grain: 'two-heads',
  notch: 'tick-in',
  fold: 'bracket',
  words: 'lines',
  turnDeg: 0,
  chords: false,
  twice: false,
  inner: false,
  parted: false,
  around: ['background', 'frame', 'title', 'legend', 'test-square', 'logo'],
  sizes: ['40', '42', '44', '46'],
  sizesNamed: 'key',
  shared: false,
}
const folder = mkdtempSync(join(tmpdir(), 'tidal-seam-files-'))
function write(name: string, content: string | Uint8Array): string {
  const file = join(folder, name)
  writeFileSync(file, content)
  return file
}
const take = async (file: string) => (await byTest(app.driver(), 'pattern-file')).sendKeys(file)
/** The tray's list, a line each: name, state, packing line. */
const listed = async () =>
  Promise.all(
    (await app.driver().findElements(By.css('nav[aria-label="Tray"] li button'))).map(async (b) => (await b.getText()).split('\n')),
  )

describe('a stranger’s pattern', () => {
  const skirt = corpusGarments(3)[1]!

  it('comes in from a framed nest of five sizes with words on it, named, with its seams', async () => {
    await app.driver().get(`${app.url()}/import`)
    await take(write('shingle-skirt.svg', toSvgFile(drawSheet(skirt, HAND), 'size-layers', 3)))
    // The square of 5 cm says that the scale is right.
    await soon('the test square', async () => /the scale is right/.test(await textOf('test-square')))
    await click(app.driver(), 'confirm-scale')
    await soon('the pieces', async () => (await listed()).length > 4)
    const lines = await listed()
    const pieces = lines.filter((l) => l.length === 3)
    expect(pieces.map(([name]) => name)).toEqual(skirt.pieces.map((p) => p.name))
    expect(pieces.map((l) => l[2])).toEqual([
      expect.stringMatching(/^cut 1 on the fold, 1 notch, .*5 sizes$/),
      expect.stringMatching(/^cut 2 mirrored, 3 notches, .*5 sizes$/),
      expect.stringMatching(/^cut 1 on the fold, 1 notch, 5 sizes$/),
      expect.stringMatching(/^cut 4 mirrored, 5 sizes$/),
    ])
    // What stands around them is listed, and taken for no piece.
    const aside = lines.filter((l) => l.length === 2).map((l) => l[1])
    expect(aside).toEqual(expect.arrayContaining(['set aside: frame of the page', 'set aside: test square', 'set aside: box of words']))
    for (const piece of pieces.filter((l) => !/^ready/.test(l[1]!))) {
      const button = await app.driver().findElement(By.xpath(`//nav[@aria-label="Tray"]//button[contains(., "${piece[0]}")]`))
      await button.click()
      await soon('it is open', async () => (await (await byTest(app.driver(), 'piece-name')).getAttribute('value')) === piece[0])
      await click(app.driver(), 'rest-is-plain')
      await soon('ready', async () => /ready/.test(await button.getText()))
    }
    await click(app.driver(), 'to-seams')
    await retype(await byTest(app.driver(), 'garment-title'), 'Shingle skirt')
    await click(app.driver(), 'finish-import')
    await byTest(app.driver(), 'table')
    await click(app.driver(), 'station-match')
    await expect.poll(() => textOf('match-summary')).toMatch(/seam/)
  })

  it('comes in from the pages of a PDF, which are put together, and can be moved', async () => {
    await app.driver().get(`${app.url()}/import`)
    const sheet = drawSheet(skirt, { ...HAND, lines: 'both', sizes: [], words: 'shouted' })
    await take(write('shingle-skirt.pdf', await toPdfFile(sheet, 'pdf-cut-overlap')))
    await soon('pages', async () => /by the names on them/.test(await textOf('pages-how')))
    const columns = async () => (await byTest(app.driver(), 'page-columns')).getAttribute('value')
    expect(await columns()).toBe('8')
    // Laid otherwise, and back.
    await retype(await byTest(app.driver(), 'page-columns'), '7')
    await soon('laid in rows of seven', async () => /Nothing on the pages|Say how many/.test(await textOf('pages-how')))
    await click(app.driver(), 'undo')
    await soon('as they were', async () => (await columns()) === '8')
    const page = await byTest(app.driver(), 'page-2')
    const before = await page.getAttribute('transform')
    await page.sendKeys(Key.ARROW_RIGHT)
    await soon('moved', async () => (await (await byTest(app.driver(), 'page-2')).getAttribute('transform')) !== before)
    // Held in the hand: the next arrow moves the same page again.
    const once = await (await byTest(app.driver(), 'page-2')).getAttribute('transform')
    await app.driver().switchTo().activeElement().sendKeys(Key.ARROW_DOWN)
    await soon('moved again', async () => (await (await byTest(app.driver(), 'page-2')).getAttribute('transform')) !== once)
    await click(app.driver(), 'undo')
    await soon('once back', async () => (await (await byTest(app.driver(), 'page-2')).getAttribute('transform')) === once)
    await click(app.driver(), 'undo')
    await soon('back', async () => (await (await byTest(app.driver(), 'page-2')).getAttribute('transform')) === before)
    await click(app.driver(), 'confirm-pages')
    await soon('the test square', async () => /the scale is right/.test(await textOf('test-square')))
    await click(app.driver(), 'confirm-scale')
    await soon('the pieces', async () => (await listed()).filter((l) => l.length === 3).length === skirt.pieces.length)
    expect((await listed()).filter((l) => l.length === 3).map(([name]) => name!.toLowerCase())).toEqual(
      skirt.pieces.map((p) => p.name.toLowerCase()),
    )
    // A reload loses nothing: the pages are kept with the tray.
    await app.driver().navigate().refresh()
    await soon('still there', async () => (await listed()).filter((l) => l.length === 3).length === skirt.pieces.length)
    expect(await all('confirm-pages')).toHaveLength(0)
  })

  it('has its words read where a converter drew them as shapes', async () => {
    await app.freshDemo()
    await app.driver().get(`${app.url()}/import`)
    const pdf = await toPdfFile(drawSheet(skirt, { ...HAND, sizes: [] }), 'pdf-large')
    const svg = execFileSync('pdftocairo', ['-svg', write('one-page.pdf', pdf), '-'], { encoding: 'utf8', maxBuffer: 1 << 28 })
    expect(svg).not.toContain('<text')
    await take(write('converted.svg', svg))
    await soon('the words were read', async () => /read from their picture/.test(await textOf('message')))
    await click(app.driver(), 'confirm-scale')
    await soon('the pieces', async () => (await listed()).length > 4)
    const pieces = (await listed()).filter((l) => l.length === 3)
    expect(pieces.map(([name]) => name)).toEqual(skirt.pieces.map((p) => p.name))
    expect(pieces[0]![2]).toMatch(/^cut 1 on the fold/)
  })

  it('is refused in a sentence where a file is a picture, and nothing is lost', async () => {
    await click(app.driver(), 'tray-clear')
    await take(write('front.svg', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0])))
    await soon('refused', async () => /picture/.test(await textOf('refused')))
  })
})
