import { shallowRef, watch, type Ref } from 'vue'
import { listFaults } from '~~/core/advice'
import { foldPlan } from '~~/core/changes'
import type { Project } from '~~/core/formats'
import { DEFAULT_TOLERANCES } from '~~/core/match'

export interface Unsettled {
  faults: number
  stuck: number
  /** What the last stop is called; null as bought. */
  last: string | null
}

/** What is left to settle in each garment, worked out one garment at a time so that the page stays quick. */
export function useUnsettled(projects: Ref<Project[]>): Ref<Map<string, Unsettled>> {
  const found = shallowRef(new Map<string, Unsettled>())
  const done = new Map<string, string>()
  watch(
    projects,
    async (rows) => {
      for (const row of rows) {
        if (done.get(row.id) === row.updatedAt) continue
        await new Promise((resolve) => setTimeout(resolve, 0))
        const sizeId = row.garment.baseSizeId
        const plan = foldPlan(row.garment, row.plan, { sizeId })
        const faults = listFaults(plan, sizeId, DEFAULT_TOLERANCES).filter((f) => f.verdict === 'fault').length
        const stuck = plan.stops.filter((s) => s.status === 'refused' || s.status === 'orphan').length
        done.set(row.id, row.updatedAt)
        found.value = new Map(found.value).set(row.id, { faults, stuck, last: plan.stops.at(-1)?.words.title ?? null })
      }
    },
    { immediate: true },
  )
  return found
}
