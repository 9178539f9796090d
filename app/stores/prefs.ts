import { usePreferredDark, usePreferredReducedMotion, useStorage, type StorageLike } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { LayerRole } from '~~/core/import'
import { DEFAULT_TOLERANCES, type Tolerances } from '~~/core/match/types'
import { formatFigure, formatLength, RULERS, unitsOf, type FormatOptions, type Ruler } from '~~/core/units'

/** Where preferences are kept: in this browser, or, where it denies that, in this page alone. */
function whereToKeep(): StorageLike {
  try {
    return window.localStorage
  } catch {
    const kept = new Map<string, string>()
    return {
      getItem: (key) => kept.get(key) ?? null,
      setItem: (key, value) => void kept.set(key, value),
      removeItem: (key) => void kept.delete(key),
    }
  }
}

/** What one measures by until one says otherwise: inches, or centimetres where the place writes 3,5. */
const usualRuler = (): Ruler => (new Intl.NumberFormat(globalThis.navigator?.language).format(1.5).includes(',') ? 'cm-comma' : 'in')

/** How this person reads: ruler and light, and what was done once. Kept in this browser. */
export const usePrefs = defineStore('prefs', () => {
  const place = whereToKeep()
  /** What all figures are written by; what an older version kept is a ruler too. */
  const ruler = useStorage<Ruler>('tidal-seam-units', usualRuler(), place)
  if (!(ruler.value in RULERS)) ruler.value = usualRuler()
  const units = computed(() => unitsOf(ruler.value))
  const light = useStorage<'auto' | 'light' | 'dark'>('tidal-seam-light', 'auto', place)
  /** What counts as matching, as easing, mm. */
  const goodMm = useStorage('tidal-seam-good-mm', DEFAULT_TOLERANCES.goodMm, place)
  const easeMm = useStorage('tidal-seam-ease-mm', DEFAULT_TOLERANCES.easeMm, place)
  const tolerances = computed<Tolerances>(() => ({
    ...DEFAULT_TOLERANCES,
    goodMm: goodMm.value,
    easeMm: Math.max(easeMm.value, goodMm.value),
  }))
  /** The demo was hung here by itself once: who emptied the wardrobe meant it. */
  const demoHung = useStorage('tidal-seam-demo-hung', false, place)
  /** After so many days one is reminded to back up; 0 for never. */
  const remindDays = useStorage('tidal-seam-remind-days', 14, place)
  /** When everything was last saved as a file, ISO; empty where it never was. */
  const backedUpAt = useStorage('tidal-seam-backed-up', '', place)
  /** What layers of pattern files were said to hold, by their names: how files alike are read. */
  const layerHabits = useStorage<Record<string, LayerRole>>('tidal-seam-layers', {}, place)
  const prefersDark = usePreferredDark()
  const motion = usePreferredReducedMotion()
  const dark = computed(() => light.value === 'dark' || (light.value === 'auto' && prefersDark.value))
  const stillness = computed(() => motion.value === 'reduce')
  const length = (mm: number, options?: FormatOptions) => formatLength(mm, ruler.value, options)
  /** A figure that is no length of the ruler’s own, with its decimals as the lengths beside it have them. */
  const figure = (value: number, digits: number) => formatFigure(value, digits, ruler.value)
  return {
    place,
    ruler,
    units,
    light,
    dark,
    stillness,
    length,
    figure,
    goodMm,
    easeMm,
    tolerances,
    demoHung,
    remindDays,
    backedUpAt,
    layerHabits,
  }
})
