import { By, Key } from 'selenium-webdriver'
import { describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, retype, choose } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)
const leftOf = async (id: string) => (await textOf(`asked-${id}`)).replace(/\s+/g, ' ')

describe('the plan keeps its word', () => {
  it('from a new wearer in centimetres to a taken plan, what is left over, the tissue fitting, and back after new measurements', async () => {
    await app.freshDemo()
    await openGarment('demo-blouse', 'wearer')
    await press('ruler')
    await press('ruler-cm')
    await (await field('new-wearer-name')).sendKeys('the Netmaker', Key.ENTER)
    await soon('hers', async () => (await app.driver().findElement(By.css('header')).getText()).includes('for the Netmaker'))
    for (const [measure, text] of [
      ['high-bust', '93'],
      ['bust', '97,5'],
      ['waist', '84'],
      ['hip', '101'],
      ['back-neck-to-waist', '42,5'],
      ['front-to-waist', '45'],
      ['underarm-to-waist', '20,5'],
    ] as const)
      await retype(await field(`figure-${measure}`), text)
    await soon('kept', async () => (await (await field('figure-underarm-to-waist')).getAttribute('value')) === '20.5')

    await press('station-size')
    await field('worksheet')
    await expect.poll(() => textOf('designed-bust')).toContain('as designed')
    await press('all-schools')
    await soon('every school side by side', async () => (await all('school-high-bust')).length === 1)
    // Before the plan the table says what is missing, and what would give it.
    expect(await leftOf('back-neck-to-waist')).toContain('Lengthen or shorten at lines')
    await soon('a plan with its reasons', async () => (await all('proposed-3')).length === 1)
    await expect.poll(() => textOf('proposed-0')).toContain('Back neck to waist')
    // One stop is left out, looked at, and taken after all.
    const boxes = await app.driver().findElements(By.css('[data-test^="take-"][type="checkbox"]'))
    const count = boxes.length
    await app.driver().executeScript('arguments[0].scrollIntoView({ block: "center" })', boxes[count - 1]!)
    await boxes[count - 1]!.click()
    await soon('one less', async () => (await textOf('make-plan')).includes(`${count - 1} stops`))
    await press('make-plan')
    await soon('one is still proposed', async () => (await textOf('make-plan')).includes('this stop'))
    await press('make-plan')
    await soon('nothing is left to take', async () => (await all('make-plan')).length === 0)
    for (const id of ['bust', 'waist', 'hip', 'back-neck-to-waist', 'front-to-waist', 'underarm-to-waist'])
      await soon(`nothing left over: ${id}`, async () => (await leftOf(id)).includes('nothing'))
    expect(await leftOf('back-neck-to-waist')).toMatch(/engthen the body|horten the body/)

    await press('station-tissue')
    await field('tissue-figure')
    await expect.poll(() => textOf('tissue-back-neck-to-waist')).toContain('agrees')
    await expect.poll(() => all('band-back-waist')).toHaveLength(1)
    await press('hang-bought')
    await soon('as bought the waist hangs high', async () => (await textOf('tissue-figure')).includes('high'))
    await press('hang-altered')
    // Walked and ticked with the keyboard alone.
    const rows = await app.driver().findElements(By.css('[data-row]'))
    await rows[0]!.click()
    await rows[0]!.sendKeys(Key.SPACE, Key.ARROW_DOWN)
    const second = await app.driver().switchTo().activeElement()
    await second.sendKeys(Key.SPACE)
    await soon('two were looked at', async () => (await textOf('tissue-left')).includes(`${rows.length - 2} of ${rows.length}`))
    await app.driver().navigate().refresh()
    await soon('and are kept', async () => (await textOf('tissue-left')).includes(`${rows.length - 2} of ${rows.length}`))

    // A new day's figures: the plan's own stops are set to them, and none is added twice.
    await press('station-wearer')
    await retype(await field('figure-waist'), '88')
    await retype(await field('figure-back-neck-to-waist'), '41')
    await soon('kept too', async () => ((await (await field('figure-back-neck-to-waist')).getAttribute('value')) ?? '').startsWith('41'))
    await press('station-size')
    await soon('in the plan with other figures', async () =>
      (await app.driver().findElement(By.css('[aria-label="From body to plan"]')).getText()).includes('in the plan with other figures'),
    )
    await press('make-plan')
    await soon('nothing is left to take', async () => (await all('make-plan')).length === 0)
    await soon('the new waist is given', async () => (await leftOf('waist')).includes('nothing'))
    await press('station-reshape')
    await field('table')
    // One stop of each sort: what was there was set, and nothing stands twice.
    const stops = await app.driver().findElements(By.css('[aria-label="Tideline"] li > [data-test^="stop-"]'))
    const titles = await Promise.all(stops.map(async (stop) => (await stop.getText()).split('\n')[0]!.replace(/[\d\s.,−+]+cm.*$/, '')))
    expect(titles.length).toBeGreaterThan(3)
    expect(new Set(titles).size, titles.join(' | ')).toBe(titles.length)
  })

  it('less on the smaller side of the body is one click, after which the plan stands as it was', async () => {
    await app.freshDemo()
    await openGarment('demo-blouse', 'size')
    await press('make-plan')
    await soon('taken', async () => (await all('make-plan')).length === 0)
    await openGarment('demo-blouse', 'size')
    await soon('said', async () => (await leftOf('bicep')).includes('Pin the difference out on the left'))
    await press('side-bicep')
    await soon('done', async () => (await leftOf('bicep')).includes('is for one side alone'))
    expect(await all('side-bicep')).toHaveLength(0)
    // Nothing is proposed anew for pieces that were opened out.
    expect(await all('make-plan')).toHaveLength(0)
    expect(await leftOf('back-neck-to-waist')).toContain('nothing')
    await press('station-match')
    await soon('its seams match', async () => /match/i.test(await textOf('match-summary')))
  })

  it('says what a wish makes of a straight dress, before anything is cut', async () => {
    await app.freshDemo()
    await openGarment('demo-dress', 'size')
    expect(await all('silhouette-waist')).toHaveLength(0)
    await choose('fit', 'fitted')
    await soon('another silhouette', async () => (await textOf('silhouette-waist')).includes('another silhouette'))
    await choose('fit', 'as designed')
    await soon('straight again', async () => (await all('silhouette-waist')).length === 0)
  })
})
