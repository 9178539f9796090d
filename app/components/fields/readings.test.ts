import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { contextWith } from '~~/core/changes/test-context'
import { keepReading, type CrotchShapeInputs } from '~~/core/changes/crotch-shape'
import { crotchReadings } from '~~/demo/crotch-readings'
import { draftTrousers, TAPERED } from '~~/demo/trousers'
import { usePlanSession } from '~/stores/plan-session'
import { byTest, mountOnPage, newStores } from '../test-mount'
import ReadingsField from './ReadingsField.vue'

const garment = draftTrousers(TAPERED)
const taken = crotchReadings(garment, '2026-11-02')
const kept = taken.map(keepReading)
const inputsWith = (readings: CrotchShapeInputs['readings']): CrotchShapeInputs => ({
  readings,
  frontShare: 0.3,
  backShare: 0.5,
  giveBackMm: 0,
})

let mounted: VueWrapper | null = null
beforeEach(() => localStorage.clear())
afterEach(() => mounted?.unmount())

function field(readings: CrotchShapeInputs['readings'], ofWearer = taken) {
  const pinia = newStores()
  vi.spyOn(usePlanSession(), 'contextFor').mockReturnValue(contextWith({ crotchCurves: ofWearer }))
  return (mounted = mountOnPage(ReadingsField, { props: { inputs: inputsWith(readings), label: 'Readings', garment } }, pinia))
}
const box = (wrapper: VueWrapper, id: string) => wrapper.find(byTest(`reading-${id}`)).element as HTMLInputElement
const sent = (wrapper: VueWrapper) => (wrapper.emitted('update') ?? []).map(([list]) => (list as typeof kept).map((r) => r.id))

describe('which readings of the crotch count', () => {
  it('are those that the stop keeps, beside those that the wearer has', async () => {
    const wrapper = field([kept[0]!])
    expect(taken.map((t) => box(wrapper, t.id).checked)).toEqual([true, false, false])
    await wrapper.find(byTest(`reading-${taken[2]!.id}`)).trigger('change')
    expect(sent(wrapper)).toEqual([[taken[0]!.id, taken[2]!.id]])
  })
  it('never none: the last one that counts cannot be taken out', async () => {
    expect(box(field([kept[1]!]), taken[1]!.id).disabled).toBe(true)
    const two = field(kept.slice(0, 2))
    expect(box(two, taken[0]!.id).disabled).toBe(false)
    await two.find(byTest(`reading-${taken[0]!.id}`)).trigger('change')
    expect(sent(two)).toEqual([[taken[1]!.id]])
  })
  it('stay as the stop kept them, also where the wearer has them no more, or took them anew', async () => {
    const gone = field(kept.slice(0, 2), [])
    expect(gone.findAll('input')).toHaveLength(2)
    const [first, second] = kept as [(typeof kept)[number], (typeof kept)[number]]
    const asKept = { ...first, name: 'as it was' }
    const anew = field([asKept, second])
    await anew.find(byTest(`reading-${second.id}`)).trigger('change')
    expect(anew.emitted('update')![0]![0]).toEqual([asKept])
  })
})
