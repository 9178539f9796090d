import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { readBackup } from '../../core/formats'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, choose, download, card } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)

/** A photograph of a camera that wrote the place where it was taken into it. */
function photographWithPlace(): string {
  const plain = readFileSync('public/demo-photographs/demo-mock-up-front.jpg')
  const words = Buffer.from('Exif\0\0GPS 53.5511 9.9937 harbour camera')
  const segment = Buffer.concat([Buffer.from([0xff, 0xe1, 0, words.length + 2]), words])
  const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'mock-up.jpg')
  writeFileSync(file, Buffer.concat([plain.subarray(0, 2), segment, plain.subarray(2)]))
  return file
}

describe('a fitting', () => {
  beforeEach(() => app.freshDemo())

  it('with four signs and two pins is entered by keyboard alone, in few presses; a photograph loses its place', async () => {
    await openGarment('demo-dancer', 'fittings')
    await press('first-fitting')
    let presses = 0
    const keys = async (...sent: string[]) => {
      for (const key of sent) await app.driver().actions().sendKeys(key).perform()
      presses += sent.reduce((sum, s) => sum + (s.length > 4 ? 1 : [...s].length), 0)
    }
    const signs = async () => (await app.driver().findElements(By.css('[data-sighting]'))).length
    const at = (place: string) =>
      soon(`at ${place}`, async () => (await app.driver().executeScript<string>('return document.activeElement.dataset.row')) === place)
    // A sign by its number, how much of it, and on to the next place.
    const sign = async (n: string, amount: string, next: string) => {
      await keys(n)
      await soon('the amount is asked', async () => (await app.driver().executeScript('return document.activeElement.tagName')) === 'INPUT')
      await keys(amount, Key.ENTER)
      await at(next)
    }
    await soon('the list', async () => (await all('look-list')).length === 1)
    await app.driver().executeScript(`document.querySelector('[data-row="shoulder-line"]').focus()`)
    await sign('1', '3/8', 'shoulder-end')
    await keys('w')
    await at('neck')
    await sign('3', '1/2', 'armhole')
    await sign('1', '1/2', 'bust')
    await keys('w')
    await at('waist')
    await sign('4', '1', 'balance')
    expect(await signs()).toBe(0)
    await expect.poll(() => textOf('tab-look')).toContain('4')

    // Two pins: with the tabulator to the tabs, with the arrows along them, and from field to field.
    const tabTo = async (name: string, back = false) => {
      const isAt = () => app.driver().executeScript<boolean>('return document.activeElement.dataset.test === arguments[0]', name)
      for (let i = 0; i < 15 && !(await isAt()); i++) {
        if (back) await app.driver().actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform()
        else await app.driver().actions().sendKeys(Key.TAB).perform()
        presses += 1
      }
      expect(await isAt(), name).toBe(true)
    }
    await tabTo('tab-look', true)
    await keys(Key.ARROW_RIGHT)
    await tabTo('pin-wedge')
    await keys(Key.ENTER)
    await soon('its fields', async () => (await all('pin-mm')).length === 1)
    await soon(
      'the first field',
      async () => (await app.driver().executeScript('return document.activeElement.dataset.test')) === 'pin-piece',
    )
    await tabTo('pin-mm')
    await keys('1/2', Key.ENTER)
    await tabTo('pin-hem', true)
    await keys(Key.ENTER)
    await soon('the hem', async () => (await all('pin-centreBackMm')).length === 1)
    await tabTo('pin-centreBackMm')
    await keys('1/4', Key.ENTER)
    await soon('two pins', async () => (await textOf('tab-decide')).includes('6'))
    // Three minutes at a slow typist's one press in two seconds.
    expect(presses).toBeLessThan(90)

    await press('tab-photographs')
    await (await field('photo-files')).sendKeys(photographWithPlace())
    await soon('kept', async () => (await all('photo')).length === 1)
    await press('simulated-camera')
    await soon('one more of the simulated camera', async () => (await all('photo')).length === 2)
    // A store that is nearly full is said before a photograph is lost.
    await app.driver().executeScript('navigator.storage.estimate = async () => ({ usage: 9.5e9, quota: 10e9 })')
    await press('simulated-camera')
    await soon('said', async () => (await textOf('message')).includes('nearly full'))
    await expect.poll(() => all('photo')).toHaveLength(2)
    await press('photo')
    await press('mark-middle')
    const mark = await field('mark-text')
    await mark.sendKeys('gapes here', Key.TAB)
    await soon('saved', async () => (await app.driver().findElement(By.css('footer, [data-test="storage-status"]')).getText()).length > 0)
    await app.driver().get(app.url())
    await card('demo-blouse')
    await press('back-up')
    const backup = readBackup(readFileSync(await download('.zip')))
    if (!backup.ok) throw new Error(backup.problem.message)
    const { file, pictures } = backup.value
    const fitting = file.fittings.find((f) => f.fitId === 'demo-dancer')!
    expect([fitting.sightings.filter((s) => !s.isWell).length, fitting.pins.length]).toEqual([4, 2])
    const photo = file.photos.find((p) => p.fittingId === fitting.id && p.marks.length > 0)!
    expect(photo.marks.map((m) => m.text)).toEqual(['gapes here'])
    const bytes = Buffer.from(pictures.get(photo.id)!)
    expect(bytes.length).toBe(photo.bytes)
    expect(bytes.includes('GPS') || bytes.includes('harbour')).toBe(false)
  })

  it('leads from a sign to a stop and back; what is left is kept with its reason; what is for later comes again', async () => {
    await openGarment('demo-jacket', 'fittings')
    await press('first-fitting')
    await press('place-hem-back')
    const list = app.driver().findElement(By.css('[data-row="hem-back"]'))
    await list.click()
    await press('sign-back-dips')
    await (await field('sign-mm')).sendKeys(Key.chord(Key.CONTROL, 'a'), '90 in', Key.ENTER)
    await soon('too much is said', async () => (await textOf('message')).includes('is measured or pinned in a fitting'))
    await list.click()
    await (await field('sign-mm')).sendKeys(Key.chord(Key.CONTROL, 'a'), '3/8', Key.ENTER)
    await app.driver().findElement(By.css('[data-row="sleeve"]')).click()
    await press('sign-sleeve-long')
    await (await field('sign-mm')).sendKeys(Key.chord(Key.CONTROL, 'a'), '1/2', Key.ENTER)
    await app.driver().findElement(By.css('[data-row="waist"]')).click()
    await press('sign-waist-hangs')
    await (await field('sign-mm')).sendKeys(Key.chord(Key.CONTROL, 'a'), '1', Key.ENTER)
    await press('to-decide')
    await soon('three to decide', async () => (await all('decide')).length === 3 && (await all('accept')).length >= 3)
    const one = async (words: string) => app.driver().findElement(By.xpath(`//article[@data-test="decide"][contains(., "${words}")]`))
    await (await one('Sleeve')).findElement(By.css('[data-test="reject"]')).click()
    await (await field('reject-reason')).sendKeys('rolled up on stage', Key.ENTER)
    await soon('left as it is', async () => (await all('decide')).length === 2)
    await (await one('Waist level')).findElement(By.css('[data-test="later"]')).click()
    await (await one('Hem')).findElement(By.css('[data-test="accept"]')).click()
    await soon('one left', async () => (await all('decide')).length === 1)
    const decided = (await Promise.all((await all('decided')).map((d) => d.getText()))).join(' ')
    expect(decided).toContain('rolled up on stage')
    // To the stop, and from it back to what was seen.
    await press('decided-stop')
    await soon('its stop', async () => (await textOf('stop-title')).includes('hem'))
    await expect.poll(() => textOf('stop-from')).toContain('From a fitting')
    await press('to-fitting')
    await soon('the fitting', async () => (await textOf('fitting-title')).startsWith('Fitting'))
    await press('new-fitting')
    // The fitting before had one left to decide, too, and three seen.
    await soon('carried over', async () => (await textOf('tab-look')).includes('1'))
    await expect.poll(() => textOf('tab-decide')).toContain('1')
    await press('undo')
    await soon('as before', async () => (await all('story-fitting')).length === 1)
  })
})

describe('the Cook’s blouse', () => {
  beforeEach(() => app.freshDemo())

  it('is told from the first photograph to the last sheet: versions over each other, back to one and on from it, notebook and PDF', async () => {
    await app.driver().get(`${app.url()}/garment/demo-blouse/fittings?fit=demo-blouse-harbour`)
    await soon('the story', async () => (await all('story-fitting')).length === 2 && (await all('story-version')).length === 3)
    await expect.poll(() => textOf('story-now')).toContain('As sewn for the harbour scene')
    await (await all('story-fitting'))[1]!.click()
    await press('tab-photographs')
    await soon('its photographs are seen', async () =>
      app
        .driver()
        .executeScript<boolean>(
          `return [...document.querySelectorAll('[data-test=photo] img')].filter((i) => i.naturalWidth > 0).length === 2`,
        ),
    )
    await press('to-compare')
    await choose('compare-first', 'First mock-up')
    await soon('the bust is smaller', async () => /finished bust[\s\S]*−/.test(await textOf('compare-figures')))
    await choose('compare-anchor', 'under the arm')
    expect(await app.driver().findElements(By.css('[data-test="compare-picture"] > g'))).not.toHaveLength(0)
    // Back to the first mock-up: what there was is a version already, and nothing of it is lost.
    await (await all('story-version'))[2]!.click()
    await soon('the version', async () => (await textOf('version-title')) === 'First mock-up')
    await press('go-back')
    await soon('the plan of then', async () => (await textOf('story-now')).includes('1 stop; as “First mock-up”'))
    await press('undo')
    await soon('the plan of now', async () => (await textOf('story-now')).includes('5 stops'))
    await press('version-as-garment')
    await soon('a garment of its own', async () => (await textOf('garment-name')).endsWith(', First mock-up'))
    await soon('its one stop', async () => (await all('stop-0')).length === 1)

    await app.driver().get(`${app.url()}/garment/demo-blouse/paper?fit=demo-blouse-harbour`)
    await press('tab-notebook')
    await soon('its fittings', async () => (await textOf('notebook-fittings')).includes('left as it is: Rolled up on stage'))
    await press('save-log-pdf')
    const text = execFileSync('pdftotext', [await download('.pdf'), '-'], { encoding: 'utf8' })
    expect(text).toContain('Cloth pools above the back waist')
    expect(text).toContain('Take a wedge out at the centre back')
    await press('tab-fitting')
    await expect.poll(() => textOf('blank-fitting')).toContain('Shoulder line')
  })

  it('keeps by itself what goes out on paper, once', async () => {
    await openGarment('demo-jacket', 'paper')
    await press('save-svg')
    await download('.svg')
    await press('save-svg')
    await press('station-fittings')
    await soon('one version', async () => (await all('story-version')).length === 1)
    await expect.poll(() => textOf('story-version')).toMatch(/Exported[\s\S]*version exported/)
  })
})
