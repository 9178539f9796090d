import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import type { Wearer } from '~~/core/body'
import { projectsOf, stopsOf, type Project } from '~~/core/formats/project'
import type { Tolerances } from '~~/core/match'
import { db } from '~/data/db'
import { Bench } from '~/workers/bench'
import type { Desk, Unsettled } from '~/workers/desk'
import { openWorker } from '~/workers/open-worker'
import type { Hung } from './useHung'

/** A fit that takes longer than this is not waited for, ms. */
const SILENT_MS = 30_000

/** What was found, and what for: kept while the page is open, so that a wardrobe that is seen again is not worked out again. */
const found = shallowRef(new Map<string, Unsettled | null>())
const done = new Map<string, string>()

/**
 * What is left to settle in each fit, by its id, worked out in a worker, one after the other in the order of the garments; null where
 * it cannot be worked out. A garment without fits has an empty one, under its own id.
 */
export function useUnsettled(
  garments: Ref<readonly Hung[]>,
  wearers: Ref<Wearer[]>,
  tolerances: Ref<Tolerances>,
): Ref<Map<string, Unsettled | null>> {
  const bench = new Bench<Desk>(() => openWorker('fold'))
  let round = 0

  const settle = ({ garment, wearerId, sizing, ...fit }: Project) => {
    const wearer = wearers.value.find((w) => w.id === wearerId) ?? null
    // JSON: what goes to a worker is plain data, never a reactive proxy.
    const [plan, asked] = JSON.parse(JSON.stringify([stopsOf(fit), { wearer, sizing, tolerances: tolerances.value }])) as [
      unknown,
      Parameters<Desk['unsettled']>[2],
    ]
    return bench.run((desk) => desk.unsettled(garment, plan, asked), SILENT_MS).catch(() => null)
  }

  async function workOut(): Promise<void> {
    const own = ++round
    const keyOf = (of: Hung, fit: { wearerId: string | null; updatedAt: string } | undefined) =>
      JSON.stringify([of.updatedAt, fit?.updatedAt, wearers.value.find((w) => w.id === fit?.wearerId), tolerances.value])
    for (const hung of garments.value) {
      const waits = (fit: Hung['fits'][number] | undefined) => done.get(fit?.id ?? hung.id) !== keyOf(hung, fit)
      if (hung.fits.length > 0 ? !hung.fits.some(waits) : !waits(undefined)) continue
      const row = await db.garments.get(hung.id).catch(() => undefined)
      for (const project of row ? projectsOf({ garments: [row], fits: hung.fits }) : []) {
        const fit = hung.fits.find((f) => f.id === project.id)
        if (!waits(fit)) continue
        const settled = await settle(project)
        // What changed meanwhile is worked out by a later round.
        if (own !== round) return
        done.set(project.id, keyOf(hung, fit))
        found.value = new Map(found.value).set(project.id, settled)
      }
    }
  }
  watch([garments, wearers, tolerances], () => void workOut(), { immediate: true })
  onScopeDispose(() => {
    round += 1
    bench.stop()
  })
  return found
}
