import { readFileSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { By, Key, Origin, type WebDriver } from 'selenium-webdriver'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, card, freshDemo, openGarment, retype, ask, outline, outlineAtRest, download } = app
let driver: WebDriver
let server: { url: string }
beforeAll(() => {
  driver = app.driver()
  server = { url: app.url() }
})

describe('a new user', () => {
  it('gets from the first page to the PDF of the shortened blouse, and sees which seams were checked', async () => {
    await freshDemo()
    await (await (await card('demo-blouse')).findElement(By.css('[data-test="open-garment"]'))).click()
    await byTest(driver, 'table')
    const before = { front: await outlineAtRest('front'), back: await outline('back'), sleeve: await outline('sleeve') }
    const field = await byTest(driver, 'wish')
    await field.sendKeys('shorten the body by 1 3/8 inch')
    await soon('it says what Enter will do', async () => (await textOf('wish-does')).startsWith('Shorten the body 1 3/8 in'))
    await field.sendKeys(Key.ENTER)
    await expect.poll(() => textOf('stop-title')).toBe('Shorten the body')
    await expect.poll(async () => (await byTest(driver, 'field-amountMm')).getAttribute('value')).toBe('1 3/8')
    await soon(
      'front and back have moved',
      async () => (await outline('front')) !== before.front && (await outline('back')) !== before.back,
    )
    expect(await outline('sleeve')).toBe(before.sleeve)
    await expect.poll(() => textOf('changed-pieces')).toBe('Changes: Front for cup B, Back')
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
    await expect.poll(() => textOf('seam-summary')).toContain('5 seams match')

    await click(driver, 'station-match')
    await expect.poll(() => textOf('match-summary')).toContain('5 seams walked')
    for (const seam of ['side', 'shoulder', 'armhole', 'sleeve', 'neckline']) {
      await click(driver, `seam-${seam}`)
      await expect.poll(() => textOf('verdict')).toBe('matches')
    }

    await click(driver, 'station-paper')
    await click(driver, 'save-pdf')
    const pdf = await download('.pdf')
    const text = execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })
    expect(text).toContain('Measure the square and sew a mock-up before cutting fabric.')
    expect(text).toContain('Shorten the body −1 3/8 in')
    expect(text).toContain('for the Cook')
    await click(driver, 'save-svg')
    expect(readFileSync(await download('.svg'), 'utf8')).toContain('data-part="seam line"')
    await click(driver, 'tab-steps')
    await soon('steps', async () => (await all('paper-step')).length >= 6)
    expect(await (await all('paper-step'))[1]!.getText()).toContain('1 3/8 in')
  })
})

describe('the tideline', () => {
  beforeEach(freshDemo)

  it('edits, switches off, reorders, deletes and undoes; all of it is there after a reload', async () => {
    await openGarment('demo-dress', 'reshape')
    const bought = await outlineAtRest('bodice-front')
    await ask('shorten the body by 1', 'lengthen')
    await soon('shortened', async () => (await outline('bodice-front')) !== bought)
    await retype(await byTest(driver, 'field-amountMm'), '35mm')
    await soon('35 mm is 1 3/8 in', async () => (await (await byTest(driver, 'field-amountMm')).getAttribute('value')) === '1 3/8')
    await ask('hem longer at the back', 'uneven-hem')
    await retype(await byTest(driver, 'field-centreBackMm'), '2')
    await click(driver, 'field-centreBackMm-plus')
    await soon('two stops', async () => (await all('stop-1')).length === 1)
    await expect.poll(() => textOf('stop-1')).toContain('Longer hem at centre back')
    // The hem has been let down before the pieces are looked at.
    await soon('two inches longer', async () => (await textOf('stop-1')).includes('+2'))
    const altered = await outlineAtRest('skirt-back')

    await (await byTest(driver, 'stop-1')).sendKeys(Key.chord(Key.ALT, Key.ARROW_LEFT))
    await soon('reordered by keyboard', async () => (await textOf('stop-0')).includes('hem'))
    expect(await outline('skirt-back')).toBe(altered)
    await driver.navigate().refresh()
    await soon('still in that order', async () => (await textOf('stop-0')).includes('hem'))

    await click(driver, 'stop-0')
    await click(driver, 'switch')
    await soon('switched off', async () => (await outline('skirt-back')) !== altered)
    await click(driver, 'undo')
    await soon('on again', async () => (await outline('skirt-back')) === altered)
    await click(driver, 'stop-0')
    await click(driver, 'delete-stop')
    await soon('deleted', async () => (await all('stop-1')).length === 0)
    await driver.navigate().refresh()
    await byTest(driver, 'table')
    await click(driver, 'undo')
    await soon('undone across a reload', async () => (await all('stop-1')).length === 1)
    await click(driver, 'redo')
    await soon('and redone', async () => (await all('stop-1')).length === 0)
  })

  it('plays from as bought to as altered under the slider', async () => {
    await openGarment('demo-tapered', 'reshape')
    const altered = await outlineAtRest('front')
    const slider = await byTest(driver, 'tide-slider')
    await slider.sendKeys(Key.HOME)
    const bought = await outlineAtRest('front', altered)
    await driver.executeScript(`arguments[0].value = 0.5; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))`, slider)
    await soon('half way', async () => ![altered, bought].includes(await outline('front')))
    await slider.sendKeys(Key.END)
    await soon('as altered', async () => (await outline('front')) === altered)
  })

  it('drags the level and the amount on the piece, by mouse and by keyboard', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('lengthen the body by 1', 'lengthen')
    const handle = await byTest(driver, 'handle-amount')
    const circle = await handle.findElement(By.css('circle'))
    await driver
      .actions()
      .move({ origin: circle })
      .press()
      .move({ origin: Origin.POINTER, x: 0, y: 30 })
      .move({ origin: Origin.POINTER, x: 0, y: 12 })
      .release()
      .perform()
    await soon('a larger amount', async () => Number(await (await byTest(driver, 'handle-amount')).getAttribute('aria-valuenow')) > 40)
    const dragged = await (await byTest(driver, 'field-amountMm')).getAttribute('value')
    expect(dragged).toMatch(/^\d+( \d+\/(2|4|8|16))?$/)
    await (await byTest(driver, 'handle-amount')).sendKeys(Key.ARROW_UP)
    await soon('a sixteenth less', async () => (await (await byTest(driver, 'field-amountMm')).getAttribute('value')) !== dragged)
    const below = await (await byTest(driver, 'level-below-0')).getAttribute('value')
    await (await byTest(driver, 'handle-level:line-1')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_DOWN))
    await soon('the line moved down', async () => (await (await byTest(driver, 'level-below-0')).getAttribute('value')) !== below)
  })

  it('warns when a partner is left out, and refuses too much with an amount that works', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 2', 'lengthen')
    await click(driver, 'partner-back')
    await expect.poll(() => textOf('caution-partner-left-out')).toContain('Back was left out')
    await soon('the header counts the fault', async () => /[1-9]/.test(await textOf('station-match')))
    await click(driver, 'mend-partner-left-out')
    await soon('mended', async () => (await all('caution-partner-left-out')).length === 0)
    await retype(await byTest(driver, 'field-amountMm'), '40')
    await expect.poll(() => textOf('problem')).toMatch(/at most/)
    await click(driver, 'use-largest')
    await soon('applied', async () => (await all('problem')).length === 0)
    await retype(await byTest(driver, 'field-amountMm'), 'a lot')
    expect(await driver.findElement(By.css('[role="alert"]')).getText()).toContain('not a length')
  })

  it('places the waist seam of the dress and gives the length back in the skirt', async () => {
    await openGarment('demo-dress', 'reshape')
    await ask('waist seam too low', 'place-seam')
    await retype(await byTest(driver, 'field-wantedMm'), '5 1/2')
    await soon('all four pieces', async () => (await textOf('changed-pieces')).includes('Skirt back'))
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
  })
})

describe('by hand', () => {
  it('reorders stops by dragging them, and says when a garment is not there', async () => {
    await freshDemo()
    await openGarment('demo-dress', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    await ask('hem longer at the back', 'uneven-hem')
    const from = await byTest(driver, 'stop-1')
    const to = await byTest(driver, 'stop-0')
    await driver
      .actions()
      .move({ origin: from })
      .press()
      .move({ origin: from, x: -30, y: 0 })
      .move({ origin: to, x: -40, y: 0, duration: 300 })
      .release()
      .perform()
    await soon('dragged in front', async () => (await textOf('stop-0')).includes('hem'))
    await driver.get(`${server.url}/garment/nobody/reshape`)
    await soon('a plain sentence', async () => (await driver.findElement(By.css('main')).getText()).includes('no such garment'))
  })
})
