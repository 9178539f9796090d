import { computed, type Ref } from 'vue'
import { z } from 'zod'
import { MOST_MARGIN_MM, PAPER_IDS, ROLL_MM } from '~~/core/paper'
import { useKeptByFit } from '~/composables/useKeptByFit'
import { useWorkshop } from '~/composables/useWorkshop'

/** What of a fit is printed, as it was ticked, and on which paper. */
const ChoicesSchema = z.object({
  /** Only pieces that the plan changes. */
  onlyChanged: z.boolean(),
  /** Ids of pieces that are not printed. */
  without: z.array(z.string()),
  /** Names of pages that are left out, on the paper that they were chosen for. */
  left: z.array(z.string()),
  /** Each piece as often as it is cut. */
  everyLayer: z.boolean(),
  /** Every size over the one that is drawn in full. */
  allSizes: z.boolean(),
  paper: z.enum(PAPER_IDS),
  rollMm: z.number().min(ROLL_MM.least).max(ROLL_MM.most),
  marginMm: z.number().min(0).max(MOST_MARGIN_MM),
})
export type PaperChoices = z.infer<typeof ChoicesSchema>

/** What of the open fit is printed. What was kept before there was as much to choose is filled up; what cannot be read is begun anew. */
export function usePaperChoices(fitId: Ref<string | null>): Ref<PaperChoices> {
  const workshop = useWorkshop()
  const atFirst = computed((): PaperChoices => ({
    onlyChanged: false,
    without: [],
    left: [],
    everyLayer: false,
    allSizes: false,
    paper: workshop.value.paper,
    rollMm: workshop.value.rollMm,
    marginMm: workshop.value.marginMm,
  }))
  return useKeptByFit('tidal-seam-paper', fitId, (kept) => {
    const own = typeof kept === 'object' && kept !== null ? kept : {}
    return ChoicesSchema.safeParse({ ...atFirst.value, ...own }).data ?? atFirst.value
  })
}
