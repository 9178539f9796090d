import { shallowRef, watch, type Ref } from 'vue'
import { listFaults } from '~~/core/advice'
import type { Wearer } from '~~/core/body'
import { contextOf, foldPlan } from '~~/core/changes'
import type { Project } from '~~/core/formats'
import type { Tolerances } from '~~/core/match'

export interface Unsettled {
  faults: number
  stuck: number
  /** What the last stop is called; null as bought. */
  last: string | null
}

/** What is left to settle in each garment, worked out one garment at a time so that the page stays quick. */
export function useUnsettled(projects: Ref<Project[]>, wearers: Ref<Wearer[]>, tolerances: Ref<Tolerances>): Ref<Map<string, Unsettled>> {
  const found = shallowRef(new Map<string, Unsettled>())
  const done = new Map<string, string>()
  watch(
    [projects, wearers, tolerances],
    async ([rows, bodies]) => {
      for (const row of rows) {
        const wearer = bodies.find((w) => w.id === row.wearerId) ?? null
        const key = JSON.stringify([row.updatedAt, wearer, tolerances.value])
        if (done.get(row.id) === key) continue
        await new Promise((resolve) => setTimeout(resolve, 0))
        const context = contextOf(row.garment, row, wearer, tolerances.value)
        const plan = foldPlan(row.garment, row.plan, context)
        const faults = listFaults(plan, context).filter((f) => f.verdict === 'fault').length
        const stuck = plan.stops.filter((s) => s.status === 'refused' || s.status === 'orphan').length
        done.set(row.id, key)
        found.value = new Map(found.value).set(row.id, { faults, stuck, last: plan.stops.at(-1)?.words.title ?? null })
      }
    },
    { immediate: true },
  )
  return found
}
