import { readFileSync } from 'node:fs'
import { By, Key, type WebDriver } from 'selenium-webdriver'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { readBackup } from '../../core/formats'
import { byTest, click, resizeTo } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, card, freshDemo, openGarment, retype, ask, download } = app
let driver: WebDriver
beforeAll(() => {
  driver = app.driver()
})

const cards = async () => (await all('garment-card')).length
const messageSays = (words: RegExp) => soon(`a message: ${words}`, async () => words.test(await textOf('message')))

describe('the wardrobe', () => {
  beforeEach(freshDemo)

  it('asks of a backup which of both stays where something differs, and hangs both where that is wanted', async () => {
    await click(driver, 'back-up')
    const backup = await download('.zip')
    const count = await cards()
    await openGarment('demo-tapered', 'reshape')
    await click(driver, 'stop-0')
    await retype(await byTest(driver, 'field-amountMm'), '2')
    await soon('changed', async () => (await textOf('stop-0')).includes('+2'))
    await driver.get(app.url())
    await card('demo-tapered')
    await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(backup)
    await expect.poll(() => textOf('restore-choice')).toMatch(/Quay trousers, tapered\s*garment, newer here/)
    // One garment differs, and nothing else is asked about.
    await expect.poll(() => all('restore-keep')).toHaveLength(1)
    await (await byTest(driver, 'restore-keep')).sendKeys('keep both')
    await click(driver, 'restore-go')
    await messageSays(/1 garment restored/)
    await soon('one more hangs there', async () => (await cards()) === count + 1)
    await soon('both hang there', async () =>
      (await driver.findElement(By.css('main')).getText()).includes('Quay trousers, tapered (from the file)'),
    )
    // The message goes with its matter: what it offers to undo is undone.
    await click(driver, 'message-action')
    await soon('undone', async () => (await cards()) === count)
  })

  it('takes several garments at once: a fit for a wearer in each, a backup, deleted and back; and everything goes where that is asked', async () => {
    const count = await cards()
    await click(driver, 'wardrobe-menu')
    await click(driver, 'choose-several')
    for (const box of (await all('choose-garment')).slice(0, 3)) await box.click()
    await (await byTest(driver, 'give-wearer')).sendKeys('the Bather')
    await click(driver, 'give-to')
    await messageSays(/A fit for the Bather was begun in 3 garments/)
    await click(driver, 'wardrobe-menu')
    await click(driver, 'choose-several')
    for (const box of (await all('choose-garment')).slice(0, 2)) await box.click()
    await click(driver, 'back-up-chosen')
    const backup = readBackup(readFileSync(await download('.zip')))
    expect(backup.ok && backup.value.file.garments).toHaveLength(2)
    await click(driver, 'delete-chosen')
    await soon('two are gone', async () => (await cards()) === count - 2)
    // The log says what was done, and goes back to before it.
    await click(driver, 'log')
    await soon('the log', async () => /delete 2 garments[\s\S]*begin fits of 3 garments for the Bather/.test(await textOf('log-list')))
    await (await driver.findElement(By.xpath('//*[@data-test="log-list"]//button[contains(., "open the demo wardrobe")]'))).click()
    await soon('they hang again', async () => (await cards()) === count)
    await messageSays(/2 acts/)
    await driver.actions().sendKeys(Key.ESCAPE).perform()

    await click(driver, 'wardrobe-menu')
    await click(driver, 'delete-everything')
    await expect.poll(() => textOf('delete-everything-choice')).toContain('cannot be undone')
    await click(driver, 'delete-everything-backup')
    await download('.zip')
    await click(driver, 'delete-everything-sure')
    await byTest(driver, 'open-demo-first')
    expect(await cards()).toBe(0)
  })
})

describe('a fit', () => {
  beforeEach(freshDemo)

  it('with stops is not given to another body without asking: that is another fit', async () => {
    await openGarment('demo-tapered', 'wearer')
    await (await byTest(driver, 'choose-wearer')).sendKeys('the Bather')
    await byTest(driver, 'new-fit')
    await soon('for whom', async () => (await (await byTest(driver, 'new-fit-wearer')).getAttribute('value')) === 'bather')
    await click(driver, 'new-fit-begin')
    await soon('another fit is open', async () => (await textOf('fit-menu')).includes('the Bather'))
    await click(driver, 'station-reshape')
    await byTest(driver, 'table')
    expect((await all('stop-0')).length).toBe(0)
  })

  it('is undone to any point from its log, with figures, and done again', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    await retype(await byTest(driver, 'field-amountMm'), '1 1/2')
    await soon('the stop has its figure', async () => /1\s1\/2/.test(await textOf('stop-0')))
    await click(driver, 'log')
    await soon('with figures', async () =>
      /change “Shorten the body” −1 1\/2 in[\s\S]*add “Shorten the body” −1 in/.test(await textOf('log-list')),
    )
    await click(driver, 'undo-all')
    await soon('as bought', async () => (await all('stop-0')).length === 0)
    await (await driver.findElement(By.xpath('//*[@data-test="log-list"]//button[contains(., "change")]'))).click()
    await soon('done again', async () => /1\s1\/2/.test(await textOf('stop-0')))
  })

  it('prints only changed pieces where that was ticked, also after the page was left, and a page for the notebook', async () => {
    await openGarment('demo-tapered', 'paper')
    expect((await driver.findElements(By.css('[data-test^="print-"][type="checkbox"]'))).length).toBe(3)
    await click(driver, 'only-changed')
    await soon('two pieces', async () => (await driver.findElements(By.css('[data-test^="print-"][type="checkbox"]'))).length === 2)
    await click(driver, 'print-back')
    const pages = await textOf('page-count')
    await driver.navigate().refresh()
    await soon('as it was ticked', async () => (await textOf('page-count')) === pages)
    await expect.poll(async () => (await byTest(driver, 'print-back')).isSelected()).toBe(false)
    await click(driver, 'tab-notebook')
    const page = await textOf('notebook')
    expect(page).toMatch(/Lengthen the leg \+1\s1\/2 in/)
    expect(page).toContain('Why: Long in the leg')
    expect(page).toContain('Left over')
  })
})

describe('a pair of edges', () => {
  it('that no name joins is sewn by pointing at them', async () => {
    await freshDemo()
    await driver.get(`${app.url()}/import`)
    await byTest(driver, 'pattern')
    await (await driver.findElement(By.css('[data-test="pattern-file"]'))).sendKeys(`${process.cwd()}/demo/outside/pedlars-waistcoat.svg`)
    await click(driver, 'confirm-scale')
    await click(driver, 'rest-is-plain')
    await click(driver, 'to-seams')
    await byTest(driver, 'seam-pointer')
    const at = (name: string) => driver.findElement(By.css(`[aria-label="${name}"]`))
    await (await at('Waistcoat front, armhole')).sendKeys(Key.SPACE)
    await click(driver, 'pointing-second')
    await (await at('Waistcoat back, armhole')).sendKeys(Key.SPACE)
    await click(driver, 'sew-together')
    await soon('in the list', async () => (await textOf('added-seam')).includes('armhole seam'))
    await click(driver, 'finish-import')
    await byTest(driver, 'table')
    await click(driver, 'station-match')
    await soon('walked', async () => (await textOf('match-summary')).includes('3 seams walked'))
  })
})

describe('a phone', () => {
  it('of 390 px shows every station in one column: nothing lies beyond the edge, menus and the box included', async () => {
    await freshDemo()
    await resizeTo(driver, 390, 844)
    try {
      const isWithin = async (what: string) => {
        const [wide, page] = (await driver.executeScript('return [document.documentElement.scrollWidth, innerWidth]')) as [number, number]
        expect(wide, what).toBeLessThanOrEqual(page)
      }
      for (const station of ['wearer', 'size', 'reshape', 'match', 'tissue', 'fittings', 'paper']) {
        await openGarment('demo-tapered', station)
        await isWithin(station)
      }
      await click(driver, 'tab-notebook')
      await byTest(driver, 'notebook')
      await isWithin('notebook')
      await openGarment('demo-tapered', 'reshape')
      await (await byTest(driver, 'wish')).sendKeys('lengthen the leg by 1')
      for (const [what, opens] of [
        ['wish-does', async () => {}],
        ['ruler-cm', () => click(driver, 'ruler')],
        ['begin-fit', () => click(driver, 'fit-menu')],
      ] as const) {
        await opens()
        const { x, width } = await (await byTest(driver, what)).getRect()
        expect(x, what).toBeGreaterThanOrEqual(0)
        expect(x + width, what).toBeLessThanOrEqual(391)
        await driver.actions().sendKeys(Key.ESCAPE).perform()
      }
      for (const page of ['', 'import', 'wearers']) {
        await driver.get(`${app.url()}/${page}`)
        await byTest(driver, 'log')
        await isWithin(page)
      }
    } finally {
      await resizeTo(driver, 1280, 800)
    }
  })
})
