import type { Fabric, Fit } from './schema'
import type { ZoneId } from '../measure'

/** Ease wanted round the bust in a cloth that is neither crisp nor drapey, mm. Our own figures; every one can be changed. */
const BUST_EASE: Record<Fit, number> = {
  'as-designed': 60,
  closer: 30,
  looser: 90,
  close: 30,
  fitted: 60,
  'semi-fitted': 90,
  loose: 140,
  'very-loose': 200,
}

/** The other zones as a part of the bust's. A limb is smaller, and bends. */
const PART: Record<ZoneId, number> = {
  'high-bust': 0.8,
  bust: 1,
  waist: 0.5,
  hip: 0.8,
  bicep: 0.65,
  thigh: 0.6,
  knee: 0.9,
  hem: 0,
  'leg-opening': 0,
}

/** A zone of one's own, as a part of the bust's: between a waist and a hip. */
const OWN_PART = 0.65

/** A crisp cloth stands off the body and needs more; one that falls needs less; one that stretches may take none or less. */
const CLOTH: Record<Fabric, { times: number; plusMm: number }> = {
  crisp: { times: 1, plusMm: 15 },
  medium: { times: 1, plusMm: 0 },
  drapey: { times: 1, plusMm: -10 },
  stretch: { times: 0.5, plusMm: -40 },
}

/**
 * Ease wanted in a zone by fit and fabric, mm; below nothing for a close fit in a cloth that stretches.
 * @example wantedEase('bust', 'fitted', 'medium') // 60
 */
export function wantedEase(zone: string, fit: Fit, fabric: Fabric): number {
  const { times, plusMm } = CLOTH[fabric]
  return Math.round((BUST_EASE[fit] * times + plusMm) * (PART[zone as ZoneId] ?? OWN_PART))
}
