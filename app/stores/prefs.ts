import { useLocalStorage, usePreferredDark, usePreferredReducedMotion } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { DEFAULT_TOLERANCES, type Tolerances } from '~~/core/match'
import { formatLength, type FormatOptions, type UnitSystem } from '~~/core/units'

/** How this person reads: units and light. Kept in this browser. */
export const usePrefs = defineStore('prefs', () => {
  const units = useLocalStorage<UnitSystem>('tidal-seam-units', 'in')
  const light = useLocalStorage<'auto' | 'light' | 'dark'>('tidal-seam-light', 'auto')
  /** What counts as matching, as easing, mm. */
  const goodMm = useLocalStorage('tidal-seam-good-mm', DEFAULT_TOLERANCES.goodMm)
  const easeMm = useLocalStorage('tidal-seam-ease-mm', DEFAULT_TOLERANCES.easeMm)
  const tolerances = computed<Tolerances>(() => ({
    ...DEFAULT_TOLERANCES,
    goodMm: goodMm.value,
    easeMm: Math.max(easeMm.value, goodMm.value),
  }))
  const prefersDark = usePreferredDark()
  const motion = usePreferredReducedMotion()
  const dark = computed(() => light.value === 'dark' || (light.value === 'auto' && prefersDark.value))
  const stillness = computed(() => motion.value === 'reduce')
  const length = (mm: number, options?: FormatOptions) => formatLength(mm, units.value, options)
  return { units, light, dark, stillness, length, goodMm, easeMm, tolerances }
})
