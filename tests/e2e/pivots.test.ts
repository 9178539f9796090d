import { By, Key } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, retype, ask, drag } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)

const amount = async () => (await field('field-amountMm')).getAttribute('value')
/** A range is moved as its keys and its thumb do: by its value. */
const slideTo = async (position: number) =>
  app
    .driver()
    .executeScript(
      `const r = document.querySelector('[data-test=tide-slider]'); r.value = arguments[0]; r.dispatchEvent(new Event('input'))`,
      position,
    )

describe('pivots and swings', () => {
  beforeEach(() => app.freshDemo())

  it('a broad shoulder and a pivoted waist by dragging, then Match, undo, redo, reload', async () => {
    await openGarment('demo-blouse', 'reshape')
    const bought = await app.outlineAtRest('front')
    await ask('seam falls off the shoulder', 'shoulder-width')
    await field('handle-amount')
    await drag('handle-amount', 26, 6)
    await soon('the shoulder is broader', async () => (await textOf('stop-title')) === 'Broader shoulder')
    await soon('by some amount', async () => (await amount()) !== '0')
    const broad = await amount()
    await expect.poll(() => textOf('changed-pieces')).toContain('Front for cup B, Back')
    await soon('every promise is held', async () => /Held: (\d+) of \1/.test(await textOf('held')))
    const shouldered = await app.outlineAtRest('front', bought)

    // Stepping through what the hands do: the pieces lie cut while a move is at hand.
    await slideTo(0.5)
    await expect.poll(() => textOf('move-steps')).toContain('cut from the shoulder')
    await expect.poll(() => all('moves')).toHaveLength(2)
    await press('move-on')
    await soon('done', async () => (await textOf('move-steps')).includes('done') && (await all('moves')).length === 0)

    await ask('waist only', 'pivot-slide')
    await field('handle-amount')
    await drag('handle-amount', 20, 0)
    await soon('the waist is out', async () => (await textOf('stop-title')) === 'Pivot the waist out')
    await soon('every promise is held', async () => /Held: (\d+) of \1/.test(await textOf('held')))
    const pivoted = await app.outlineAtRest('front', shouldered)
    await slideTo(1.25)
    await soon('turning', async () => (await textOf('move-steps')).includes('pin the underarm'))

    await press('station-match')
    await expect.poll(() => textOf('match-summary')).toContain('5 seams walked')
    expect(await app.driver().findElements(By.css('[data-test^="fault-seam"]'))).toHaveLength(0)

    await press('station-reshape')
    await field('stop-1')
    await press('undo')
    await soon('the drag is undone', async () => (await textOf('stop-1')).includes('Pivot and slide'))
    await press('redo')
    await soon('and done again', async () => (await textOf('stop-1')).includes('Pivot the waist out'))
    await app.driver().navigate().refresh()
    await press('stop-1')
    await soon('as it was', async () => (await app.outline('front')) === pivoted)
    await press('stop-0')
    await soon('the shoulder’s own amount', async () => (await amount()) === broad)
  })

  it('a hem is dragged fuller with its partner, and the cloth it no longer fits is said', async () => {
    await openGarment('demo-dress', 'reshape')
    await ask('fuller skirt', 'hem-fullness')
    await drag('handle-amount', 60, 0)
    await soon('fuller', async () => (await textOf('stop-title')).startsWith('Fuller hem'))
    await expect.poll(() => textOf('changed-pieces')).toContain('Skirt front, Skirt back')
    await expect.poll(() => all('caution-cloth-fits')).toHaveLength(2)
    await retype(await field('field-clothMm'), '20')
    await soon('too narrow', async () => (await all('caution-cloth-too-narrow')).length === 2)
    await slideTo(0.75)
    await expect.poll(() => textOf('move-steps')).toContain('2 of 2')
    await press('move-back')
    await soon(
      'after the first',
      async () => (await textOf('move-steps')).includes('1 of 2') || (await textOf('move-steps')).includes('2 of 2'),
    )
  })

  it('a wedge says what straightening gives or takes, and shows the other ways side by side', async () => {
    await openGarment('demo-dress', 'reshape')
    await ask('swayed back', 'level-wedge')
    await retype(await field('field-amountMm'), '3/4')
    await soon('told', async () => /takes .* at the waist/.test(await textOf('caution-straightened')))
    await press('compare-open')
    await soon('three ways', async () => (await all('take-way-2')).length === 1)
    await press('take-way-2')
    await soon('the other way', async () => (await (await field('field-straighten')).getAttribute('value')) === 'between')
    await soon('held', async () => /Held: (\d+) of \1/.test(await textOf('held')))
  })

  it('a slash gets a name and is used on another garment', async () => {
    await openGarment('demo-flared', 'reshape')
    await ask('slash', 'slash-swing')
    await press('field-amountMm-plus')
    await retype(await field('field-amountMm'), '1/2')
    await (await field('own-name')).sendKeys('stage flare', Key.ENTER)
    await soon('kept', async () => (await (await field('own-name')).getAttribute('value')) === '')
    await openGarment('demo-tapered', 'reshape')
    const wish = await field('wish')
    await wish.click()
    await wish.sendKeys('stage')
    await press('own-stage flare')
    await soon('on this garment', async () => (await textOf('stop-title')).startsWith('Open the leg opening'))
    await soon('its amount', async () => (await amount()) === '1/2')
    await expect.poll(async () => (await field('note')).getAttribute('value')).toBe('stage flare')
  })

  it('a free list of turns and slides', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('pivot', 'pivot-slide')
    const list = await field('field-sequence')
    await list.findElement(By.css('option[value="free"]')).click()
    await press('add-slide')
    const before = await app.outlineAtRest('front')
    await press('move-0-edge-hem')
    await retype(await field('move-along-0'), '1')
    await soon('the hem is lower', async () => (await app.outline('front')) !== before)
    await soon('held', async () => /Held: (\d+) of \1/.test(await textOf('held')))
    expect(await all('problem')).toHaveLength(0)
    await press('add-pivot')
    // Edges that one move traces are not offered to another.
    await expect.poll(async () => (await field('move-1-edge-hem')).isEnabled()).toBe(false)
  })
})
