import type { Charts, Choices, Sizing } from './schema'

/** A pattern that says nothing about its sizes. */
export const NO_CHARTS: Charts = { bodyChart: {}, printed: {}, shiftsMm: {}, cups: [], ownZones: [] }

/** A fit about which nothing is settled yet. */
export const NO_CHOICES: Choices = { school: null, fit: 'as-designed', fabric: 'medium', wantedMm: {}, chosen: {}, traced: [] }

export const NO_SIZING: Sizing = { ...NO_CHARTS, ...NO_CHOICES }

/** The part of a sizing that belongs to the pattern. */
export const chartsOf = ({ bodyChart, printed, shiftsMm, cups, ownZones }: Sizing): Charts => ({
  bodyChart,
  printed,
  shiftsMm,
  cups,
  ownZones,
})

/** The part of a sizing that belongs to one wearer's fit. */
export const choicesOf = ({ school, fit, fabric, wantedMm, chosen, traced, looked }: Sizing): Choices => ({
  school,
  fit,
  fabric,
  wantedMm,
  chosen,
  traced,
  ...(looked ? { looked } : {}),
})
