import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import type { Wearer } from '~~/core/body'
import { stopsOf, type Project } from '~~/core/formats'
import type { Tolerances } from '~~/core/match'
import { Bench } from '~/workers/bench'
import type { Desk, Unsettled } from '~/workers/desk'

/** A fit that takes longer than this is not waited for, ms. */
const SILENT_MS = 30_000

/** What is left to settle in each fit, by its id, worked out in a worker, one after the other; null where it cannot be worked out. */
export function useUnsettled(
  projects: Ref<Project[]>,
  wearers: Ref<Wearer[]>,
  tolerances: Ref<Tolerances>,
): Ref<Map<string, Unsettled | null>> {
  const found = shallowRef(new Map<string, Unsettled | null>())
  /** What each was worked out for. */
  const done = new Map<string, string>()
  const bench = new Bench<Desk>(() => new Worker(new URL('../workers/fold.worker.ts', import.meta.url), { type: 'module' }))
  let round = 0

  async function workOut(): Promise<void> {
    const own = ++round
    for (const fit of projects.value) {
      const wearer = wearers.value.find((w) => w.id === fit.wearerId) ?? null
      const key = JSON.stringify([fit.updatedAt, fit.bought.updatedAt, wearer, tolerances.value])
      if (done.get(fit.id) === key) continue
      // JSON: what goes to a worker is plain data, never a reactive proxy.
      const { garment, plan, asked } = JSON.parse(
        JSON.stringify({
          garment: fit.garment,
          plan: stopsOf(fit),
          asked: { wearer, sizing: fit.sizing, tolerances: tolerances.value },
        }),
      ) as { garment: unknown; plan: unknown; asked: Parameters<Desk['unsettled']>[2] }
      const settled = await bench.run((desk) => desk.unsettled(garment, plan, asked), SILENT_MS).catch(() => null)
      // What changed meanwhile is worked out by a later round.
      if (own !== round) return
      done.set(fit.id, key)
      found.value = new Map(found.value).set(fit.id, settled)
    }
  }
  watch([projects, wearers, tolerances], () => void workOut(), { immediate: true })
  onScopeDispose(() => {
    round += 1
    bench.stop()
  })
  return found
}
