import 'fake-indexeddb/auto'
import { flushPromises, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Component } from 'vue'
import { emptyFitting, PLACES, placesOf, type Fitting } from '~~/core/fittings'
import { draftBlouse } from '~~/demo/blouse'
import { message, settleMessage } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { usePlanSession } from '~/stores/plan-session'
import { byTest, mountOnPage, newStores } from '../test-mount'
import LookList from './LookList.vue'
import PinList from './PinList.vue'

const blouse = draftBlouse()
let mounted: VueWrapper | null = null
beforeEach(() => {
  localStorage.clear()
  settleMessage()
})
afterEach(() => mounted?.unmount())

/** A list on an empty fitting of the blouse; what it writes is written into that fitting, and shown. */
function listOf(component: Component) {
  const pinia = newStores()
  usePlanSession().computedPlan = { garments: [blouse], stops: [] } as never
  const fitting = {
    now: emptyFitting('f', { fitId: 'fit', heldOn: '2026-03-01', setId: null, versionId: null }, '2026-03-01T10:00:00.000Z'),
  }
  const labels: string[] = []
  vi.spyOn(useFittings(), 'write').mockImplementation(async (_id, label, recipe) => {
    const next = structuredClone(fitting.now)
    recipe(next)
    fitting.now = next
    labels.push(label)
    await wrapper.setProps({ fitting: next })
    return { ok: true, value: undefined } as never
  })
  const stub = { template: '<i />' }
  const wrapper = mountOnPage(
    component,
    {
      props: { fitting: fitting.now } as { fitting: Fitting },
      global: { components: { FittingsPlaceFigure: stub, PaperStepPicture: stub } },
    },
    pinia,
  )
  mounted = wrapper
  return { wrapper, fitting, labels }
}

describe('looking from the top down', () => {
  const first = PLACES.find((p) => placesOf(blouse).includes(p.id))!
  const row = (wrapper: VueWrapper, id: string) => wrapper.find(`[data-row="${id}"]`)
  it('shows the places that the garment has, and others when asked', async () => {
    const { wrapper } = listOf(LookList)
    const shown = () => wrapper.findAll('[data-row]').map((r) => r.attributes('data-row'))
    expect(shown()).toEqual(PLACES.filter((p) => placesOf(blouse).includes(p.id)).map((p) => p.id))
    await wrapper.find(byTest('all-places')).setValue(true)
    expect(shown()).toEqual(PLACES.map((p) => p.id))
  })
  it('“w” says that a place sits well and goes on; the count follows', async () => {
    const { wrapper, fitting } = listOf(LookList)
    const places = wrapper.findAll('[data-row]').map((r) => r.attributes('data-row')!)
    await row(wrapper, places[0]!).trigger('keydown', { key: 'w' })
    await flushPromises()
    expect(fitting.now.sightings).toMatchObject([{ placeId: places[0], isWell: true }])
    expect(row(wrapper, places[1]!).attributes('aria-current')).toBe('true')
    expect(wrapper.find(byTest('look-left')).text()).toContain(`${places.length - 1} of ${places.length}`)
  })
  it('a figure chooses a sign, which is not well any more; the same one twice is one', async () => {
    const { wrapper, fitting, labels } = listOf(LookList)
    await row(wrapper, first.id).trigger('keydown', { key: 'w' })
    await flushPromises()
    await row(wrapper, first.id).trigger('focus')
    for (let i = 0; i < 2; i++) {
      await row(wrapper, first.id).trigger('keydown', { key: '1' })
      await flushPromises()
    }
    expect(fitting.now.sightings).toMatchObject([{ placeId: first.id, signId: first.signs[0]!.id, isWell: false }])
    expect(labels).toHaveLength(2)
  })
  it('says how much was seen, where, and on which side; more than is ever pinned is refused', async () => {
    const { wrapper, fitting } = listOf(LookList)
    await row(wrapper, first.id).trigger('keydown', { key: 'o' })
    await flushPromises()
    const set = async (name: string, value: string) => {
      await wrapper.find(byTest(name)).setValue(value)
      await wrapper.find(byTest(name)).trigger('blur')
      await flushPromises()
    }
    await set('sign-mm', '1')
    await set('sign-half', 'back')
    await set('sign-side', 'left')
    expect(fitting.now.sightings).toMatchObject([{ signId: null, mm: 25.4, half: 'back', side: 'left' }])
    await set('sign-mm', '3 m')
    expect(fitting.now.sightings[0]!.mm).toBe(25.4)
    expect(message.value?.kind).toBe('fault')
    await wrapper.find(byTest('remove-sign')).trigger('click')
    await flushPromises()
    expect(fitting.now.sightings).toEqual([])
  })
  it('keys with another key held, and others, are left alone', async () => {
    const { wrapper, fitting } = listOf(LookList)
    for (const keys of [{ key: 'w', ctrlKey: true }, { key: 'o', metaKey: true }, { key: 'q' }]) {
      const event = new KeyboardEvent('keydown', { ...keys, bubbles: true, cancelable: true })
      row(wrapper, first.id).element.dispatchEvent(event)
      expect(event.defaultPrevented).toBe(false)
    }
    expect(fitting.now.sightings).toEqual([])
  })
})

describe('what was pinned', () => {
  it.each(['fold', 'side', 'seam', 'wedge', 'hem'])(
    'a %s begins where it is usual, on both sides, and is taken away again',
    async (how) => {
      const { wrapper, fitting } = listOf(PinList)
      await wrapper.find(byTest(`pin-${how}`)).trigger('click')
      await flushPromises()
      expect(fitting.now.pins).toMatchObject([{ pinned: { how }, side: 'both', decision: { is: 'open' } }])
      expect(wrapper.find('h2').text().length).toBeGreaterThan(5)
      await wrapper.find(byTest('remove-pin')).trigger('click')
      await flushPromises()
      expect(fitting.now.pins).toEqual([])
    },
  )
  it('on another piece it begins with an edge and a mark of that piece', async () => {
    const { wrapper, fitting } = listOf(PinList)
    await wrapper.find(byTest('pin-fold')).trigger('click')
    await flushPromises()
    await wrapper.find(byTest('pin-piece')).setValue('sleeve')
    await flushPromises()
    const pinned = fitting.now.pins[0]!.pinned as { pieceId: string; edgeId: string }
    expect(pinned.pieceId).toBe('sleeve')
    expect(blouse.pieces.find((p) => p.id === 'sleeve')!.edges.map((e) => e.id)).toContain(pinned.edgeId)
  })
  it('one side alone is said of the pin, and nothing else of it changes', async () => {
    const { wrapper, fitting } = listOf(PinList)
    await wrapper.find(byTest('pin-hem')).trigger('click')
    await flushPromises()
    const before = fitting.now.pins[0]!
    await wrapper.find(byTest('pinned-on')).setValue('right')
    await flushPromises()
    expect(fitting.now.pins).toEqual([{ ...before, side: 'right' }])
  })
})
