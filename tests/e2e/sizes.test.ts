import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync, mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { parseLength } from '../../core/units'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, retype, choose } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)

describe('from a new wearer to a blended garment', () => {
  it('measures, chooses sizes, makes the plan, matches and prints', async () => {
    await app.freshDemo()
    await openGarment('demo-blouse', 'wearer')
    await (await field('new-wearer-name')).sendKeys('the Ferryman', Key.ENTER)
    await soon('the garment is hers', async () => (await app.driver().findElement(By.css('header')).getText()).includes('for the Ferryman'))
    // The measure being typed is lit, with a sentence on how to take it; mixed entry is understood.
    await (await field('figure-waist')).click()
    await expect.poll(() => textOf('how-to')).toContain('Tie an elastic')
    await field('lit-measure')
    for (const [measure, text] of [
      ['high-bust', '34 1/4'],
      ['bust', '92 cm'],
      ['waist', '34'],
      ['hip', '41 1/2 in'],
      ['back-neck-to-waist', '15 1/2'],
    ] as const)
      await retype(await field(`figure-${measure}`), text)
    await soon('kept', async () => (await (await field('figure-bust')).getAttribute('value')) === '36 1/4')
    // A figure that cannot be is asked about, not refused.
    await retype(await field('figure-knee'), '3')
    await soon('asked about', async () => (await textOf('doubts')).includes('Knee'))
    await retype(await field('figure-knee'), '15')
    await soon('no more', async () => (await all('doubts')).length === 0)
    await app.driver().navigate().refresh()
    await expect.poll(async () => (await field('figure-hip')).getAttribute('value')).toBe('41 1/2')

    await press('station-size')
    await field('worksheet')
    await expect.poll(() => textOf('zone-bust')).toMatch(/36\s1\/4 in/)
    for (const zone of ['bust', 'waist', 'hip']) expect((await textOf(`why-${zone}`)).length).toBeGreaterThan(20)
    await choose('fit', 'fitted')
    await soon('by the table of fits', async () => (await (await field('wanted-bust')).getAttribute('value')) === '2 3/8')
    await press('make-plan')
    await soon('ease as altered', async () => (await all('altered-hip')).length === 1)
    await choose('fabric', 'crisp')
    await soon('a crisp cloth wants more', async () => (await (await field('wanted-bust')).getAttribute('value')) === '2 15/16')
    await press('undo')
    await soon('undone', async () => (await (await field('wanted-bust')).getAttribute('value')) === '2 3/8')
    // The altered pieces, measured again, have the ease that was wanted.
    for (const zone of ['bust', 'waist', 'hip']) {
      const mm = (text: string) => {
        const read = parseLength(text.replace('+', '').replace(/\s/g, ' '), 'in')
        return read.ok ? read.value : NaN
      }
      const wanted = (await (await field(`wanted-${zone}`)).getAttribute('value'))!
      // Both figures are read off a ruler in sixteenths of an inch.
      expect(Math.abs(mm(await textOf(`altered-${zone}`)) - mm(wanted)), zone).toBeLessThan(2)
    }
    await press('trace-front')
    await press('trace-back')

    await press('station-reshape')
    await soon('three stops', async () => (await all('stop-2')).length === 1)
    await expect.poll(() => textOf('stop-1')).toContain('Blend')
    await press('stop-1')
    // However many stops there are, the inputs stay on the page.
    const panel = await (await field('stop-title')).getRect()
    expect(panel.x + panel.width).toBeLessThanOrEqual(1280)
    expect(/Held: (\d+) of \1/.test(await textOf('held'))).toBe(true)
    await press('station-match')
    await expect.poll(() => textOf('match-summary')).toContain('5 seams walked')
    expect(await app.driver().findElements(By.css('[data-test^="fault-"]'))).toHaveLength(0)
    await press('station-paper')
    await press('save-pdf')
    const text = execFileSync('pdftotext', [await app.download('.pdf'), '-'], { encoding: 'utf8' })
    expect(text).toContain('for the Ferryman')
    expect(text).toMatch(/size: \d bust, \d waist, \d hip/)
  })
})

describe('nested sizes', () => {
  beforeEach(() => app.freshDemo())

  it('come in from a file, are paired by hand where they do not correspond, and go out one by one', async () => {
    await app.driver().get(`${app.url()}/import`)
    await field('pattern')
    await (
      await app.driver().findElement(By.css('[data-test="pattern-file"]'))
    ).sendKeys(join(process.cwd(), 'demo/outside/harbour-skirt-nested.svg'))
    await press('confirm-scale')
    await expect.poll(() => textOf('tray-sizes')).toContain('3 sizes lie over each other')
    await expect.poll(() => textOf('tray-sizes')).toContain('Size L: no corner where edge 3 begins')
    await expect.poll(() => all('tray-size-line')).toHaveLength(2)
    // The corner is shown on the line of size L, below and outside the one of size M.
    await press('pair-L-2')
    const hem = await (await field('edge-2')).getRect()
    const picture = await (await field('tray-picture')).getRect()
    await app
      .driver()
      .actions({ async: true })
      .move({
        origin: await field('tray-picture'),
        x: Math.round(hem.x + hem.width - picture.x - picture.width / 2 + 4),
        y: Math.round(hem.y + hem.height / 2 - picture.y - picture.height / 2),
      })
      .click()
      .perform()
    await soon('paired', async () => (await textOf('tray-sizes')).includes('Every corner was found'))
    await press('to-seams')
    await press('finish-import')
    await field('table')
    await press('station-size')
    await field('worksheet')
    await choose('take-out-size', 'L')
    await press('take-out')
    await soon('taken out', async () => (await app.driver().findElement(By.css('body')).getText()).includes('It hangs in the wardrobe'))
    await app.driver().get(app.url())
    await soon('two skirts hang there', async () => {
      const [page] = await app.driver().findElements(By.css('main'))
      return page !== undefined && (await page.getText()).includes('nested, size L')
    })
  })

  it('have zones of one’s own, measured and dragged', async () => {
    await openGarment('demo-blouse', 'size')
    await press('new-zone')
    await (await field('zone-name')).sendKeys('under the bust')
    await press('zone-piece-front')
    await press('zone-piece-back')
    await press('add-zone')
    await soon('in the worksheet', async () =>
      (await app.driver().findElement(By.css('[data-test="worksheet"]')).getText()).includes('under the bust'),
    )
    const band = await app.driver().findElement(By.css('[data-test^="band-own-"]'))
    const before = await app.driver().findElement(By.css('[data-test^="zone-own-"]')).getText()
    await band.sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN)
    await soon('measured lower', async () => (await app.driver().findElement(By.css('[data-test^="zone-own-"]')).getText()) !== before)
  })
})

describe('wearers', () => {
  beforeEach(() => app.freshDemo())

  it('keep old sets, compare two, go out and in as CSV, and can be deleted for good', async () => {
    await app.driver().get(`${app.url()}/wearers`)
    await press('wearer-the Cook')
    await choose('compare-with', await app.dayWords('2025-09-14'))
    await expect.poll(() => textOf('compared')).toMatch(/Waist\s+34.*\+1/s)
    await press('new-set')
    await soon('a fresh set', async () => (await (await field('figure-bust')).getAttribute('value')) === '')
    await retype(await field('figure-bust'), '38')
    await press('figure-bicep-sides')
    await retype(await field('figure-bicep-left'), '12')
    await retype(await field('figure-bicep-right'), '12 1/2')
    await press('save-csv')
    const csv = readFileSync(await app.download('.csv'), 'utf8')
    expect(csv).toMatch(/the Cook,\d{4}-\d\d-\d\d,Full bust,38 in/)
    expect(csv).toContain('the Lamplighter')
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'new.csv')
    writeFileSync(file, 'wearer,taken on,measure,figure\nthe Ferryman,2026-01-05,Hip,99 cm\n')
    await (await field('csv-file')).sendKeys(file)
    await press('wearer-the Ferryman')
    await soon('read', async () => (await (await field('figure-hip')).getAttribute('value')) === '39')
    await press('delete-wearer')
    await press('delete-wearer-yes')
    await soon('gone', async () => (await all('wearer-the Ferryman')).length === 0)
    await press('undo')
    expect(await all('wearer-the Ferryman')).toHaveLength(0)
  })
})

describe('sizes', () => {
  beforeEach(() => app.freshDemo())

  it('moves a band, sets a size by hand, and reads a chart pasted from a spreadsheet', async () => {
    await openGarment('demo-blouse', 'size')
    // As designed the ease is the pattern's own wherever the band lies; by a table it is missed elsewhere.
    await choose('fit', 'fitted')
    await soon('by the table', async () => (await textOf('designed-waist')).startsWith('designed'))
    const before = await textOf('missing-waist')
    const band = await field('band-waist-front')
    for (let i = 0; i < 3; i++) await band.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_DOWN))
    await soon('measured lower', async () => (await textOf('missing-waist')) !== before)
    await choose('size-bust', '6, yours')
    await soon('chosen', async () => (await textOf('why-bust')).includes('Chosen by you'))
    await press('size-chart')
    await press('chart-printed')
    const paste = await field('chart-paste')
    await soon('the chart is open', () => paste.isDisplayed())
    await paste.sendKeys('measure,3,4,9\nbust,38,40,41')
    await press('chart-take')
    await soon('refused with a sentence', async () =>
      (await app.driver().findElement(By.css('[role="alert"]')).getText()).includes('“9” is not a size'),
    )
    await paste.sendKeys(Key.chord(Key.CONTROL, 'a'), 'measure,3,4\nbust,38,44')
    await press('chart-take')
    await soon('a printed figure that the pieces do not have', async () => (await textOf('why-bust')).includes('Printed for size 4'))
    // Every size in figures, with what is printed beside what is measured.
    await press('all-figures')
    await soon('in figures', async () => /printed\s+–\s+–\s+38\s+44/.test(await textOf('figures-bust')))
    await press('chart-bodyChart')
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'chart.csv')
    writeFileSync(file, 'measure,3,4,5\nbust,90 cm,94 cm,98 cm\nwaist,70 cm,,78 cm\n')
    await (await field('chart-file')).sendKeys(file)
    await soon('read from the file', async () => (await (await field('chart-bust-one')).getAttribute('value')) === '37')
    await soon('and looked over', async () => (await textOf('chart-flaws')).includes('size 4 has no figure'))
    await soon('the size by the new chart', async () => (await textOf('chart-size-bust')) !== '')
  })

  it('calls what lies beyond the printed sizes by its name, in the plan, on the tideline and on the card', async () => {
    await openGarment('demo-tapered', 'size')
    const section = (label: string) =>
      app
        .driver()
        .findElement(By.css(`[aria-label="${label}"]`))
        .getText()
    await soon('a plan', async () => /Grade 3 up/.test(await section('From body to plan')))
    expect(await section('From body to plan')).toMatch(/Grade 3 up.*\n[^]*Blend 10 waist, 9 hip/)
    expect(await section('What to trace')).toMatch(/size 7 \+3/)
    await press('make-plan')
    // At once: neither the plan nor the way to the next station is lost.
    await press('station-reshape')
    await soon('on the tideline', async () =>
      (await app.driver().findElement(By.css('[aria-label="Tideline"]')).getText()).includes('Blend 10 waist'),
    )
    await app.driver().get(app.url())
    await soon('on the card', async () => /Let out part of the outseam/.test(await (await app.card('demo-tapered')).getText()))
  })

  it('says what a stop costs where it stands, and moves it', async () => {
    await openGarment('demo-blouse', 'size')
    await press('make-plan')
    await soon('three stops', async () => (await all('altered-hip')).length === 1)
    await openGarment('demo-blouse', 'reshape')
    await soon('three stops', async () => (await all('stop-2')).length === 1)
    await press('stop-0')
    await press('move-later')
    await soon('later', async () => (await textOf('stop-1')).includes('Shorten'))
    await soon('says so', async () => (await textOf('order-advice')).includes('at the old levels'))
    await press('follow-order')
    await soon('first again', async () => (await textOf('stop-0')).includes('Shorten'))
    expect(await all('order-advice')).toHaveLength(0)
  })

  it('counts with a stop made by hand, sets what differs, and cuts pieces in a size of their own', async () => {
    await openGarment('demo-dress', 'reshape')
    await app.ask('skirt in another size', 'piece-size')
    await choose('field-pieceId', 'Skirt front')
    await choose('field-sizeId', '5')
    await soon('the skirt, and no more', async () => (await textOf('changed-pieces')) === 'Changes: Skirt front, Skirt back')
    await soon('both waist seams differ', async () => (await all('caution-sizes-differ')).length === 2)
    await openGarment('demo-blouse', 'size')
    expect(await all('worked-on')).toHaveLength(0)
    await press('make-plan')
    await soon('nothing more to take', async () => (await all('make-plan')).length === 0)
    // What the plan put there is no stop of one's own: the worksheet stays as it was.
    expect(await all('worked-on')).toHaveLength(0)
    await openGarment('demo-blouse', 'reshape')
    await press('stop-0')
    const asked = await (await field('field-amountMm')).getAttribute('value')
    const isFromBody = async () => (await all('stop-from')).length
    expect(await isFromBody()).toBe(1)
    await retype(await field('field-amountMm'), '1/4')
    await soon('by hand', async () => /1.4|¼/.test(await textOf('stop-0')))
    await soon('a stop of one’s own', async () => (await isFromBody()) === 0)
    await press('station-size')
    await soon('measured on what the own stop leaves', async () => (await all('worked-on')).length === 1)
    await press('make-plan')
    await soon('only what was missing', async () => (await all('make-plan')).length === 0)
    await press('station-reshape')
    await press('stop-0')
    await soon('put to the same stop', async () => (await (await field('field-amountMm')).getAttribute('value')) === asked)
    await expect.poll(() => all('stop-6')).toHaveLength(1)
    expect(await all('stop-7')).toHaveLength(0)
  })

  it('grades one size into a nest, seen on the table, with rules of one’s own', async () => {
    await openGarment('demo-flared', 'reshape')
    await app.ask('next size', 'grade')
    await retype(await field('field-intervalMm'), '1 1/2')
    await soon('a nest', async () => (await all('nest-line')).length === 6)
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
    await app.driver().executeScript('document.querySelector("details").open = true')
    await (await field('rule-crotch-point-across')).click()
    await soon('its point is shown on both legs', async () => (await all('lit-point')).length === 2)
    await expect.poll(() => textOf('lit-point')).toMatch(/^\d.* in$/)
    await retype(await field('rule-crotch-point-across'), '0.2')
    await soon('the sums are checked', async () => (await all('caution-rules-off')).length === 1)
    await press('mend-rules-off')
    await soon('our own again', async () => (await all('caution-rules-off')).length === 0)
  })
})
