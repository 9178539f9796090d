import type { MeasureSet } from '../../core/body'
import { diceOf } from '../../core/dice'

/** Chance that begins at a seed: the same bodies on every machine. */
export function chances(seed: number): (low: number, high: number) => number {
  const dice = diceOf(seed)
  return (low, high) => low + dice() * (high - low)
}

/**
 * A made body, mm: plausible, and often not as a chart has it: long and short waists, a large difference of full and high bust, full
 * arms, narrow and wide hips, from below the smallest size to beyond the largest.
 */
export function makeBody(seed: number): MeasureSet {
  const between = chances(seed * 7919 + 17)
  const highBust = between(740, 1180)
  const bust = highBust + between(10, 120)
  const waist = bust - between(30, 260)
  const hip = Math.max(waist + 40, bust + between(-60, 170))
  const backToWaist = between(365, 455)
  /** From the nape to the level under the arm: deeper on larger bodies. */
  const armDepth = 150 + highBust * 0.055 + between(-12, 12)
  const figures: Record<string, number> = {
    neck: between(320, 440),
    'high-bust': highBust,
    bust,
    waist,
    hip,
    shoulder: between(106, 142),
    'back-neck-to-waist': backToWaist,
    'front-to-waist': backToWaist + between(0, 60),
    'underarm-to-waist': backToWaist - armDepth,
    bicep: highBust * between(0.28, 0.4),
    'arm-length': between(530, 640),
    thigh: hip * between(0.54, 0.63),
    knee: hip * between(0.35, 0.4),
    heel: between(290, 350),
    'waist-to-hip': between(175, 240),
    'waist-to-knee': between(530, 640),
    crotch: between(620, 820),
  }
  return {
    id: `body-${seed}`,
    takenOn: '2026-01-01',
    note: '',
    figures: Object.fromEntries(Object.entries(figures).map(([id, mm]) => [id, { mm: Math.round(mm) }])),
  }
}
