import { execFileSync } from 'node:child_process'
import { By, type WebDriver, type WebElement } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, freshDemo, openGarment, download } = app
let driver: WebDriver
beforeAll(async () => {
  driver = app.driver()
  await freshDemo()
})

/** As it reads: fractions set as fractions and written ones alike, white space as one space. */
const plain = (text: string) => text.replace(/[\s\u2009]+/g, ' ').trim()
const read = async (element: WebElement) => plain((await element.getAttribute('textContent')) ?? '')
const readAll = async (elements: WebElement[]) => Promise.all(elements.map(read))
/** A figure by itself: without its unit, its sign, and the word before it. */
const bare = (text: string) =>
  plain(text)
    .replace(/ (in|cm)$/, '')
    .replace(/^[+−]/, '')

/** Fits of the demo with a plan. */
const FITS = ['demo-tapered', 'demo-bather', 'demo-ferryman'] as const

describe.each([
  ['in-eighths', FITS],
  // What is written otherwise in centimetres is the same for every fit.
  ['cm', FITS.slice(0, 1)],
] as const)('by the ruler “%s”', (ruler, fits) => {
  it.each(fits)('every figure of %s reads the same on every screen, in the steps, the notebook and the PDF', async (id) => {
    await openGarment(id, 'reshape')
    await click(driver, 'ruler')
    await click(driver, `ruler-${ruler}`)
    // The tideline: each stop with its amount.
    const count = (await driver.findElements(By.css('[data-test^="stop-"][aria-label], li > [data-test^="stop-"]'))).length
    expect(count).toBeGreaterThan(0)
    const stops: { title: string; amount: string }[] = []
    for (let i = 0; i < count; i++) {
      await click(driver, `stop-${i}`)
      await soon('it is open', async () => (await textOf('stop-title')) !== '')
      const title = await textOf('stop-title')
      const line = await read(await byTest(driver, `stop-${i}`))
      const amount = line.slice(line.indexOf(title) + title.length).trim()
      stops.push({ title, amount })
      // Its field, and the readout on the piece.
      const fields = await all('field-amountMm')
      if (fields.length > 0 && amount) expect(plain((await fields[0]!.getAttribute('value')) ?? '').replace('-', '')).toBe(bare(amount))
      const handles = await all('handle-amount')
      if (handles.length > 0 && amount) expect(plain((await handles[0]!.getAttribute('aria-valuetext')) ?? '')).toBe(amount)
      // Before, after and change of every row that moved add up as they are shown.
      for (const row of await driver.findElements(By.css('section[aria-label="Ledger of this stop"] tbody tr'))) {
        const cells = await readAll(await row.findElements(By.css('td')))
        if (cells.length < 4 || cells.some((c) => c === '–')) continue
        const [before, after, change] = cells.slice(1).map(toMarks)
        expect(after! - before!, cells.join(' | ')).toBeCloseTo(change!, 6)
      }
    }

    await click(driver, 'station-match')
    await byTest(driver, 'match-summary')
    const walked = new Map<string, string[]>()
    for (const item of await driver.findElements(By.css('[data-test^="seam-"][aria-current]'))) {
      await item.click()
      const label = (await (await byTest(driver, 'seam-strips')).getAttribute('aria-label')) ?? ''
      const [, first, second] = /: (.*) against (.*)$/.exec(label)!
      walked.set(plain((await item.getAttribute('textContent')) ?? ''), [plain(first!), plain(second!)])
      const shown = await readAll(await driver.findElements(By.css('[data-test="seam-strips"] text[font-weight="650"]')))
      expect(shown.map(plain)).toEqual([plain(first!), plain(second!)])
      const surplus = /Surplus (.*?) (?:in|cm|mm) on/.exec(plain(await textContent('seam-words')))
      if (surplus && !/ mm on/.test(surplus[0])) expect(Math.abs(toMarks(first!) - toMarks(second!))).toBeCloseTo(toMarks(surplus[1]!), 6)
    }
    const altered = await alteredEase()

    await click(driver, 'station-paper')
    await click(driver, 'tab-notebook')
    await soon('the notebook', async () => (await all('notebook-stop')).length === count)
    const noted = await readAll(await driver.findElements(By.css('[data-test="notebook-stop"] > p:first-child')))
    expect(noted.map((n) => n.replace(/^\d+\. /, '').replace(/ for everybody$/, ''))).toEqual(
      stops.map(({ title, amount }) => plain(`${title} ${amount}`)),
    )
    for (const row of await driver.findElements(By.css('[data-test="notebook-zones"] tbody tr'))) {
      const [name, ...cells] = await readAll(await row.findElements(By.css('th, td')))
      const ease = cells.at(-1)!
      if (altered.has(name!) && /\d/.test(ease)) expect(bare(ease), name).toBe(bare(altered.get(name!)!))
    }

    await click(driver, 'tab-steps')
    await soon('the steps', async () => (await all('paper-step')).length > 0)
    const lines = (await readAll(await all('paper-step'))).map((line) => /^(\d+)\.\d+(.*)$/.exec(line)!)
    stops.forEach(({ title, amount }, i) => {
      if (!amount) return
      const own = lines.filter(([, stop]) => stop === String(i + 1)).map(([, , text]) => text!)
      expect(own.length, title).toBeGreaterThan(0)
      // The amount itself, or the parts that it was shared into, piece by piece.
      const gaps = own.flatMap((text) => {
        const gap = /^(.*?): cut .* the gap is (.*?) (?:in|cm) all the way/.exec(text)
        return gap ? [{ piece: gap[1]!, marks: toMarks(gap[2]!) }] : []
      })
      const pieces = new Set(gaps.map((gap) => gap.piece))
      for (const piece of pieces) {
        const sum = gaps.filter((gap) => gap.piece === piece).reduce((total, gap) => total + gap.marks, 0)
        expect(sum, `${title}, ${piece}`).toBeCloseTo(Math.abs(toMarks(amount)), 6)
      }
      if (pieces.size === 0) expect(own.join(' '), title).toContain(`${bare(amount)} `)
    })
    // What a seam must measure in the end is what Match walked.
    const measured = new Map(
      lines.flatMap(([, , text]) => {
        const walk = /^Walk the (.*?): on the seam line it must now measure (.*?)(?: on both pieces)?\.$/.exec(text!)
        return walk ? [[walk[1]!, walk[2]!] as const] : []
      }),
    )
    for (const [seam, figures] of measured) {
      const strip = [...walked].find(([name]) => name.toLowerCase().startsWith(seam.toLowerCase()))
      expect(strip, seam).toBeDefined()
      expect(figures, seam).toBe(strip![1][0] === strip![1][1] ? strip![1][0] : strip![1].join(' and '))
    }

    await click(driver, 'tab-sheets')
    await click(driver, 'save-pdf')
    const pdf = plain(execFileSync('pdftotext', ['-layout', await download('.pdf'), '-'], { encoding: 'utf8' }))
    for (const { title, amount } of stops) expect(pdf).toContain(plain(`${title} ${amount}`))
  })
})

const textContent = async (name: string) => read(await byTest(driver, name))

/** A written length in units of its own: inches with a fraction, or centimetres; tenths of a millimetre where it is too small. */
function toMarks(text: string): number {
  const sign = /^−/.test(text) ? -1 : 1
  const [, whole, top, bottom] = /^[+−]?\s*(?:(\d+(?:\.\d+)?)(?![\d/]))?\s*(?:(\d+)\/(\d+))?/.exec(plain(text))!
  return sign * (Number(whole ?? 0) + (top ? Number(top) / Number(bottom) : 0))
}

/** Ease as altered of every zone that the worksheet shows. */
async function alteredEase(): Promise<Map<string, string>> {
  await click(driver, 'station-size')
  await byTest(driver, 'worksheet')
  const found = new Map<string, string>()
  for (const cell of await driver.findElements(By.css('[data-test^="altered-"]'))) {
    const id = ((await cell.getAttribute('data-test')) ?? '').slice('altered-'.length)
    const row = await driver.findElement(By.css(`[data-test="zone-${id}"] td`))
    const text = await read(cell)
    if (text) found.set(await read(row), text)
  }
  return found
}
