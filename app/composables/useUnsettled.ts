import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import type { Wearer } from '~~/core/body'
import { projectsOf, stopsOf, type Project } from '~~/core/formats/project'
import type { Tolerances } from '~~/core/match'
import { keepSettled, readSettled } from '~/data/cards'
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

/** A fit of which it is not known what is left to settle, by its id; a garment without fits has an empty one, under its own id. */
interface Waiting {
  id: string
  of: Hung
  /** What it would be worked out from, as text. */
  madeFor: string
}

/** What was worked out before, and is so still. */
async function recall(waiting: readonly Waiting[]): Promise<void> {
  const kept = await readSettled()
  const recalled = new Map(found.value)
  for (const { id, madeFor } of waiting) {
    const row = kept.get(id)
    if (row?.madeFor !== madeFor) continue
    done.set(id, madeFor)
    recalled.set(id, row.unsettled)
  }
  found.value = recalled
}

/**
 * What is left to settle in each fit, by its id: as kept from before, else worked out in a worker, one after the other in the order of the
 * garments; null where it cannot be worked out. A garment without fits has an empty one, under its own id.
 * @param build the version of the application: another one may find otherwise
 */
export function useUnsettled(
  garments: Ref<readonly Hung[]>,
  wearers: Ref<Wearer[]>,
  tolerances: Ref<Tolerances>,
  build: string,
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

  function waiting(): Waiting[] {
    const wearerOf = (wearerId: string | null | undefined) => wearers.value.find((w) => w.id === wearerId)
    return garments.value.flatMap((of) =>
      (of.fits.length > 0 ? of.fits : [undefined]).flatMap((fit) => {
        const id = fit?.id ?? of.id
        const madeFor = JSON.stringify([build, of.updatedAt, fit?.updatedAt, wearerOf(fit?.wearerId), tolerances.value])
        return done.get(id) === madeFor ? [] : [{ id, of, madeFor }]
      }),
    )
  }

  async function workOut(): Promise<void> {
    const own = ++round
    const before = waiting()
    if (before.length > 0) await recall(before)
    for (const { id, of, madeFor } of own === round ? waiting() : []) {
      const row = await db.garments.get(of.id).catch(() => undefined)
      const project = row && projectsOf({ garments: [row], fits: of.fits }).find((p) => p.id === id)
      if (!project) continue
      const unsettled = await settle(project)
      // What changed meanwhile is worked out by a later round.
      if (own !== round) return
      done.set(id, madeFor)
      found.value = new Map(found.value).set(id, unsettled)
      if (unsettled) await keepSettled({ id, garmentId: of.id, madeFor, unsettled })
    }
  }
  watch([garments, wearers, tolerances], () => void workOut(), { immediate: true })
  onScopeDispose(() => {
    round += 1
    bench.stop()
  })
  return found
}
