import { By, type WebDriver } from 'selenium-webdriver'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, freshDemo, openGarment, retype, ask } = app
let driver: WebDriver
beforeAll(() => {
  driver = app.driver()
})

describe('match', () => {
  it('lets one say what counts as matching', async () => {
    await freshDemo()
    await openGarment('demo-flared', 'match')
    await retype(await byTest(driver, 'tolerance-ease'), '10mm')
    await soon('8 mm can be eased', async () => (await textOf('verdict')) === 'can be eased')
  })

  it('shows the fault in the flared trousers first, and one click mends it', async () => {
    await freshDemo()
    await openGarment('demo-flared', 'match')
    await expect.poll(() => textOf('verdict')).toBe('fault')
    // In- and outseam are off by the same 8 mm; either may come first.
    await click(driver, 'seam-outseam')
    await expect.poll(() => textOf('fault-outseam:length')).toMatch(/Front leg, outseam is 5\/16 in too long for Back leg/)
    await click(driver, 'mend-0')
    await soon('no fault left', async () => (await textOf('verdict')) === 'matches')
    await click(driver, 'station-reshape')
    await expect.poll(() => textOf('stop-0')).toContain('Lengthen the leg')
  })
})

describe('match, seam by seam', () => {
  beforeEach(freshDemo)

  it('says of notches that lie apart that they do, where the seam has a surplus', async () => {
    await openGarment('demo-bather', 'match')
    await soon('11/16 in too long', async () => /Surplus 11\/16 in on Front/.test(await textOf('seam-words')))
    await expect.poll(() => textOf('seam-words')).toContain('right waist apart, no more than the surplus')
    await click(driver, 'mend-0')
    await soon('none does any more', async () => !(await textOf('seam-words')).includes('apart'))
  })

  it('takes limits for one seam alone, and undoes them', async () => {
    await openGarment('demo-flared', 'match')
    await click(driver, 'seam-outseam')
    await click(driver, 'own-tolerance')
    await retype(await byTest(driver, 'seam-ease'), '10mm')
    await soon('8 mm can be eased here', async () => (await textOf('verdict')) === 'can be eased')
    await click(driver, 'seam-inseam')
    await soon('but not there', async () => (await textOf('verdict')) === 'fault')
    await click(driver, 'undo')
    await click(driver, 'seam-outseam')
    await soon('a fault again', async () => (await textOf('verdict')) === 'fault')
  })

  it('mends a notch that misses its partner, and dart legs that differ, by one click each', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('move a notch', 'move-notch')
    await retype(await byTest(driver, 'field-byMm'), '1')
    await ask('dart legs', 'equal-legs')
    await retype(await byTest(driver, 'field-growMm'), '1/2')
    await soon('the stop has its figure', async () => (await textOf('stop-1')).includes('1/2'))
    await click(driver, 'station-match')
    await soon('a seam, its notch and the dart', async () => (await textOf('match-summary')).includes('3 faults: 1 seam, 1 notch, 1 dart'))
    for (const [thing, words] of [
      ['seam-armhole', 'Move the notch on'],
      ['dart-front:side-dart', 'Make the short leg'],
    ] as const) {
      // What is at fault has its faults under it, and no others.
      await click(driver, thing)
      await soon('its one fault', async () => (await driver.findElements(By.css('[data-test^="fault-"]'))).length === 1)
      const button = await driver.findElement(By.xpath(`//button[@data-mend][contains(., "${words}")]`))
      await button.click()
      await soon(`“${words}” mends it`, async () => (await textOf('verdict')) === 'matches')
    }
    await click(driver, 'station-reshape')
    await soon('both mends are stops', async () => (await all('stop-3')).length === 1)
    await expect.poll(() => textOf('seam-summary')).toContain('5 seams match')
  })
})
