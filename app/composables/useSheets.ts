import { createSharedComposable } from '@vueuse/core'
import { computed } from 'vue'
import { changedPieces } from '~~/core/changes'
import { changesInWords, drawPieces, sheetFor, tapeFor, tightCautions, withoutPages } from '~~/core/paper'
import { usePaperChoices, type PaperChoices } from '~/composables/usePaperChoices'
import { today } from '~/days'
import { usePlanSession } from '~/stores/plan-session'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'

/** The open fit on paper: what is printed of it, and the pages that it takes. */
export const useSheets = createSharedComposable(() => {
  const work = useWork()
  const session = usePlanSession()
  const prefs = usePrefs()
  const choices = usePaperChoices(computed(() => work.fitId))
  const choose = (some: Partial<PaperChoices>) => (choices.value = { ...choices.value, ...some })
  /** A choice that lays the pages anew: those that were left out are others then. */
  const chosen = <K extends keyof PaperChoices>(key: K) =>
    computed({ get: () => choices.value[key], set: (value) => choose({ [key]: value, left: [] } as Partial<PaperChoices>) })

  const garments = computed(() => session.computedPlan?.garments ?? [])
  const garment = computed(() => garments.value.at(-1) ?? work.project!.garment)
  const changed = computed(() => {
    const bought = garments.value[0] ?? work.project!.garment
    return new Set(changedPieces(bought, garment.value, bought.baseSizeId).map((p) => p.id))
  })
  const offered = computed(() => garment.value.pieces.filter((p) => !choices.value.onlyChanged || changed.value.has(p.id)))
  const pieceIds = computed(() => offered.value.map((p) => p.id).filter((id) => !choices.value.without.includes(id)))
  /** Ids of the pieces that are ticked. */
  const ticked = computed({
    get: () => pieceIds.value,
    set: (ids) => {
      const hidden = choices.value.without.filter((id) => !offered.value.some((p) => p.id === id))
      choose({ without: [...hidden, ...offered.value.map((p) => p.id).filter((id) => !ids.includes(id))], left: [] })
    },
  })
  const words = computed(() => ({
    garmentName: work.project!.name,
    wearerName: work.wearer?.name ?? null,
    sizeName: garment.value.sizes.find((s) => s.id === garment.value.baseSizeId)?.name ?? '',
    date: today(),
    changes: changesInWords(session.computedPlan?.stops ?? [], prefs.ruler),
    cautions: tightCautions(session.computedPlan?.tight ?? [], prefs.ruler),
    ruler: prefs.ruler,
  }))
  const drawn = computed(() =>
    drawPieces(garment.value, garment.value.baseSizeId, words.value, {
      pieceIds: pieceIds.value,
      everyLayer: choices.value.everyLayer,
      otherSizes: choices.value.allSizes ? garment.value.sizes.map((s) => s.id) : [],
    }),
  )
  const laid = computed(() => sheetFor(drawn.value, choices.value))
  const used = computed(() => laid.value.tiling.pages.filter((p) => !p.empty))
  const left = computed({ get: () => choices.value.left, set: (names) => choose({ left: names }) })
  const printed = computed(() => withoutPages(laid.value.tiling, left.value))
  return {
    drawn,
    words,
    garment,
    offered,
    ticked,
    paper: chosen('paper'),
    rollMm: chosen('rollMm'),
    marginMm: chosen('marginMm'),
    onlyChanged: chosen('onlyChanged'),
    everyLayer: chosen('everyLayer'),
    allSizes: chosen('allSizes'),
    left,
    sheet: computed(() => laid.value.sheet),
    tiling: computed(() => laid.value.tiling),
    used,
    printed,
    pages: computed(() => printed.value.pages.filter((p) => !p.empty).length),
    tape: computed(() => tapeFor(printed.value)),
    plainName: computed(() =>
      work
        .project!.name.toLowerCase()
        .replace(/[^\p{L}\d]+/gu, '-')
        .replace(/^-|-$/g, ''),
    ),
  }
})
