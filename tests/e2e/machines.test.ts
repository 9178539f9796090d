import { readFileSync } from 'node:fs'
import { By, Key, type WebDriver } from 'selenium-webdriver'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, freshDemo, openGarment, retype, choose, download } = app
let driver: WebDriver
beforeAll(() => {
  driver = app.driver()
})
const script = <T>(code: string) => driver.executeScript<T>(code)
const needed = async () => Number(/([\d.]+) m ·/.exec(await textOf('cloth-needed'))?.[1] ?? NaN)
const laid = (words: string) => soon(words, async () => (await needed()) > 0)

describe('cloth', () => {
  beforeEach(freshDemo)

  it('of the dress on 115 and 150 cm: less is needed of the wider, a piece is moved by hand, and the lay is a page of the sheets', async () => {
    await openGarment('demo-dress', 'paper')
    await click(driver, 'tab-cloth')
    await laid('laid')
    await retype(await byTest(driver, 'cloth-width'), '115 cm')
    await soon('anew', async () => (await textOf('cloth-needed')).includes('45 1/4'))
    await laid('on 115 cm')
    const narrow = await needed()
    await retype(await byTest(driver, 'cloth-width'), '150 cm')
    await soon('wider', async () => (await textOf('cloth-needed')).includes('59 1/16'))
    await laid('on 150 cm')
    expect(await needed()).toBeLessThan(narrow)
    expect((await all('cloth-faults')).length).toBe(0)
    // By keys: a piece that is pushed onto its neighbour is said.
    const pieces = await driver.findElements(By.css('[data-test^="laid-"]'))
    await pieces[0]!.sendKeys(...Array<string>(12).fill(Key.ARROW_DOWN), ...Array<string>(12).fill(Key.ARROW_RIGHT))
    await soon('a fault', async () => (await all('cloth-faults')).length === 1)
    await click(driver, 'lay-again')
    await soon('right again', async () => (await all('cloth-faults')).length === 0 && (await needed()) > 0)
    await click(driver, 'tab-sheets')
    await click(driver, 'save-pdf')
    const pdf = await download('.pdf')
    const { execFileSync } = await import('node:child_process')
    expect(execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })).toMatch(/Main cloth: .* in/)
  })

  it('with stripes is asked where each seam meets, and keeps what was chosen', async () => {
    await openGarment('demo-tapered', 'paper')
    await click(driver, 'tab-cloth')
    await laid('laid')
    expect(await all('stripe-meetings')).toHaveLength(0)
    await retype(await byTest(driver, 'cloth-repeat'), '60 mm')
    await laid('on stripes')
    await (await byTest(driver, 'stripe-meetings')).findElement(By.css('summary')).click()
    const chosen = await driver.findElements(By.css('[data-test="meets-outseam"] option'))
    const names = await Promise.all(chosen.map((o) => o.getText()))
    expect(names.at(-1)).toBe('need not meet')
    expect(names.length).toBeGreaterThan(2)
    await choose('meets-inseam', 'need not meet')
    await choose('meets-outseam', names[1]!)
    await laid('anew')
    expect(await all('cloth-faults')).toHaveLength(0)
    await driver.navigate().refresh()
    await click(driver, 'tab-cloth')
    await laid('as it was settled')
    await (await byTest(driver, 'stripe-meetings')).findElement(By.css('summary')).click()
    const kept = await driver.findElement(By.css('[data-test="meets-outseam"] option:checked'))
    expect(await kept.getText()).toBe(names[1])
  })

  it('of a piece that is wider than the cloth says so; nothing to cut needs nothing', async () => {
    await openGarment('demo-tapered', 'paper')
    await click(driver, 'tab-cloth')
    await laid('laid')
    await retype(await byTest(driver, 'cloth-width'), '25 cm')
    await soon('too narrow', async () => (await all('cloth-problem')).length === 1)
    await expect.poll(() => textOf('cloth-problem')).toMatch(/wide across its grain, and the cloth has room for/)
    await click(driver, 'cloth-use-lining')
    await soon('no lining', async () => (await textOf('cloth-needed')).includes('Nothing is cut'))
    // Bias strips for an edge, by the width of the cloth.
    await expect.poll(() => textOf('bias-says')).toMatch(/The edge measures .* its strip .*(one strip|strips, \d+ joins?) from .* of cloth/)
    await retype(await byTest(driver, 'count-front-lining'), '2')
    await laid('the lining of the fronts')
  })
})

describe('only what was changed, on Letter', () => {
  beforeEach(freshDemo)
  it('is printed with letters at its joints', async () => {
    await openGarment('demo-tapered', 'paper')
    await click(driver, 'only-changed')
    await click(driver, 'save-pdf')
    const { execFileSync } = await import('node:child_process')
    const text = execFileSync('pdftotext', [await download('.pdf'), '-'], { encoding: 'utf8' })
    // A piece has its name with how to cut it below; edges that are sewn to another name that, too.
    const isPrinted = (name: string) => new RegExp(`${name}\\s*\\n\\s*cut \\d`).test(text)
    expect(isPrinted('Front leg')).toBe(true)
    expect(isPrinted('Waistband')).toBe(false)
    expect(text).toMatch(/\d+ joints, about [\d.]+ m of tape/)
    expect(text).toMatch(/inseam · to Back leg · \+/)
  })
})

describe('machines', () => {
  beforeEach(freshDemo)

  it('a projector: the square is measured on the table, and the pieces have their size then, turned and moved too', async () => {
    await openGarment('demo-blouse', 'paper')
    await click(driver, 'tab-machines')
    await click(driver, 'to-projector')
    await retype(await byTest(driver, 'square-across'), '20 cm')
    await retype(await byTest(driver, 'square-down'), '5 cm')
    await click(driver, 'calibrate-done')
    await soon('it is askew', async () => (await all('calibrate-fault')).length === 1)
    await retype(await byTest(driver, 'square-down'), '20 cm')
    await click(driver, 'calibrate-done')
    await soon('thrown', async () => (await all('thrown')).length === 1)
    // 500 px are 20 cm: a millimetre is 2.5 px, whichever way the drawing lies.
    const perMm = () => script<number>(`const m = document.querySelector('[data-test="thrown"]').getCTM(); return Math.hypot(m.a, m.b)`)
    expect(await perMm()).toBeCloseTo(2.5, 6)
    await click(driver, 'turn')
    await soon(
      'turned',
      async () => Math.abs(await script<number>(`return document.querySelector('[data-test="thrown"]').getCTM().a`)) < 1e-6,
    )
    expect(await perMm()).toBeCloseTo(2.5, 6)
    const x = () => script<number>(`return document.querySelector('[data-test="thrown"]').getCTM().e`)
    const before = await x()
    await driver.actions().sendKeys(Key.ARROW_RIGHT).perform()
    await soon('moved by 10 mm', async () => Math.abs((await x()) - before - 25) < 0.01)
    await driver.actions().sendKeys('h').perform()
    await soon('bare', async () => (await all('projector-controls')).length === 0)
    // It is kept for the next time.
    await driver.navigate().refresh()
    await soon('still measured', async () => (await all('thrown')).length === 1)
    await click(driver, 'leave-projector')
    await byTest(driver, 'tab-machines')
  })

  it('a plotter that is busy, out of paper and cut off: it goes on where it stopped, and nothing is drawn twice', async () => {
    await openGarment('demo-blouse', 'paper')
    await click(driver, 'tab-machines')
    const trouble = async (words: string) => (await byTest(driver, 'plotter-trouble')).sendKeys(words)
    const says = async () => (await all('plotter-problem')).length === 1 && (await textOf('plotter-problem'))
    await trouble('busy')
    await click(driver, 'plotter-send')
    await soon('busy', async () => String(await says()).includes('somebody else'))
    await trouble('line')
    await click(driver, 'plotter-send')
    await soon('cut off', async () => String(await says()).includes('the line was lost'))
    await expect.poll(() => textOf('plotter-send')).toMatch(/Go on from line \d+/)
    await trouble('out')
    await click(driver, 'plotter-send')
    await soon('no paper', async () => String(await says()).includes('the roll is used up'))
    await trouble('ready')
    await click(driver, 'plotter-send')
    await soon('all of it', async () => (await textOf('plotter-send')) === 'Plot once more')
    const paths = await script<string[]>(
      `return [...document.querySelectorAll('[data-test="plotter-drawn"] path')].map((p) => p.getAttribute('d'))`,
    )
    expect(new Set(paths).size).toBe(paths.length)
    await expect.poll(() => textOf('plotter')).toContain(`${paths.length} of ${paths.length} lines`)
  })

  it('files: DXF of the trade and HPGL', async () => {
    await openGarment('demo-blouse', 'paper')
    await click(driver, 'tab-machines')
    await click(driver, 'save-dxf-file')
    const dxf = readFileSync(await download('.dxf'), 'utf8')
    expect(dxf).toContain('Piece Name: Back')
    expect(dxf.split('\r\nBLOCK\r\n').length - 1).toBe(4 * 7)
    await click(driver, 'save-hpgl-file')
    expect(readFileSync(await download('.plt'), 'utf8')).toMatch(/^IN;/)
  })
})
