import { By, Key } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, freshDemo, openGarment } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)
const stops = async () => (await app.driver().findElements(By.css('[data-test^="stop-"][data-test]:not([data-test="stop-title"])'))).length
/** Types a wish and presses Enter, as a hand does. */
async function say(wish: string) {
  const box = await field('wish')
  await box.click()
  await box.sendKeys(wish, Key.ENTER)
}
const isChecked = async (name: string) => (await (await field(name)).getAttribute('aria-checked')) === 'true'
const valueOf = async (name: string) => (await field(name)).getAttribute('value')

describe('what should change?', () => {
  beforeEach(async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
  })

  it('does what its first line says: the hem longer at the back, and not the front', async () => {
    const box = await field('wish')
    await box.click()
    await box.sendKeys('hem longer at the back by 1')
    await soon('it says so', async () => (await textOf('wish-does')).startsWith('Hem 1 in longer at centre back'))
    await box.sendKeys(Key.ENTER)
    await soon('the stop', async () => (await textOf('stop-title')) === 'Longer hem at centre back only')
    expect([await valueOf('field-centreBackMm'), await valueOf('field-sideMm'), await valueOf('field-centreFrontMm')]).toEqual([
      '1',
      '0',
      '0',
    ])
    expect(await isChecked('field-centreBackMm-plus')).toBe(true)
  })

  it.each([
    ['raise the dart', 'Raise the side dart', 'field-amountMm', 'plus', '1/2'],
    ['narrower shoulder', 'Narrower shoulder', 'field-amountMm', 'minus', '1/4'],
    ['smaller bust', 'Smaller bust, Front for cup B', 'field-amountMm', 'minus', '3/8'],
    ['take in the waist', 'Take the sides in', 'field-waistMm', 'minus', '1/4'],
  ])('“%s” asks how much next, and the figure goes that way', async (wish, title, name, way, figure) => {
    await say(wish)
    await soon(
      'its field is at hand',
      async () => (await (await app.driver().switchTo().activeElement()).getAttribute('data-test')) === name,
    )
    expect(await isChecked(`${name}-${way}`)).toBe(true)
    await (await app.driver().switchTo().activeElement()).sendKeys(figure, Key.ENTER)
    await soon('it goes that way', async () => (await textOf('stop-title')) === title)
    expect(await valueOf(name)).toBe(figure)
  })

  it('opens a choice where it is not sure, and does nothing by itself; a word of the trade without a figure is explained', async () => {
    await say('she has a rounded back')
    await soon('said', async () => (await textOf('wish-choice')).includes('A rounded back gains a wedge across the shoulder blades'))
    expect(await stops()).toBe(0)
    await press('wish-choice-close')
    await say('shorten the sleeve -5')
    await soon('both ways', async () => (await all('wish-choose')).length === 2)
    expect(await stops()).toBe(0)
    await (await all('wish-choose'))[1]!.click()
    await soon('the one that was chosen', async () => (await textOf('stop-title')) === 'Shorten the sleeve')
  })

  it('does nothing with nonsense, and is reached by one key from anywhere', async () => {
    await (await app.driver().findElement(By.css('main, body'))).sendKeys('/')
    expect(await (await app.driver().switchTo().activeElement()).getAttribute('data-test')).toBe('wish')
    await (await app.driver().switchTo().activeElement()).sendKeys('qwertz uiop', Key.ENTER)
    await soon('said', async () => (await textOf('wish-choice')).includes('Nothing of this is known here'))
    await press('wish-choice-close')
    expect(await stops()).toBe(0)
  })

  it('cuts below the knee where that is said, and asks about a minus under “Longer”', async () => {
    await openGarment('demo-flared', 'reshape')
    await say('lengthen the leg by 2 keep the knee')
    await soon('the stop', async () => (await textOf('stop-title')) === 'Lengthen the leg')
    expect(await (await app.driver().findElement(By.css('aside'))).getText()).toMatch(/calf line/)
    const amount = await field('field-amountMm')
    await amount.sendKeys(Key.chord(Key.CONTROL, 'a'), '-5', Key.ENTER)
    await soon('asked', async () => (await textOf('field-amountMm-turned')).includes('Which is meant?'))
    await expect.poll(() => textOf('stop-title')).toBe('Lengthen the leg')
    await press('field-amountMm-turned-minus')
    await soon('as it was chosen', async () => (await textOf('stop-title')) === 'Shorten the leg')
  })
})
