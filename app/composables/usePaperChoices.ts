import { useStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { MARGIN_MM, ROLL_MM, type PaperChoice } from '~~/core/paper'
import { usePrefs } from '~/stores/prefs'

/** What of a fit is printed, as it was ticked. */
export interface PaperChoices extends PaperChoice {
  /** Only pieces that the plan changes. */
  onlyChanged: boolean
  /** Ids of pieces that are not printed. */
  without: string[]
  /** Names of pages that are left out, on the paper that they were chosen for. */
  left: string[]
  /** Each piece as often as it is cut. */
  everyLayer: boolean
  /** Every size over the one that is drawn in full. */
  allSizes: boolean
}

/** Fits of which it is remembered; those longest ago are forgotten. */
const KEPT_FITS = 60

/** What of the open fit is printed. It stays as it was ticked, also when the page is left or loaded again. */
export function usePaperChoices(fitId: Ref<string | null>): Ref<PaperChoices> {
  const prefs = usePrefs()
  const kept = useStorage<Record<string, PaperChoices>>('tidal-seam-paper', {}, prefs.place)
  const atFirst = (): PaperChoices => ({
    onlyChanged: false,
    without: [],
    left: [],
    everyLayer: false,
    allSizes: false,
    paper: prefs.units === 'in' ? 'letter' : 'a4',
    rollMm: ROLL_MM.usual,
    marginMm: MARGIN_MM,
  })
  return computed({
    get: () => ({ ...atFirst(), ...kept.value[fitId.value ?? ''] }),
    set: (choices) => {
      const others = Object.entries(kept.value).filter(([id]) => id !== fitId.value)
      kept.value = Object.fromEntries([...others.slice(-KEPT_FITS), [fitId.value ?? '', choices]])
    },
  })
}
