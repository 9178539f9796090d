import { lengthToken } from '../units'
import type { Fabric, Fit } from './schema'

/** A size with what it gives: its finished measure, or the body that it is made for, mm. */
export interface SizeFigure {
  sizeId: string
  name: string
  mm: number
}

export interface ChosenSize {
  /** The nearest printed size. */
  sizeId: string
  /** Steps beyond the range, from the last step: positive above the largest, negative below the smallest. */
  beyond: number
  /** Figure of the chosen size minus the body, mm; extrapolated beyond the range. */
  easeMm: number
  rule: 'gives-enough' | 'between-smaller' | 'between-larger' | 'above-range' | 'below-range' | 'only-size'
  /** Which rule decided, in one sentence; lengths as tokens. */
  why: string
}

/** A body is between two sizes when the smaller misses what is wanted by at most this part of the step (craft 4). */
const BETWEEN = 1 / 3

/** Soft or roomy clothes take the smaller of two sizes, close or crisp ones the larger. */
export function takesSmaller(fit: Fit, fabric: Fabric): boolean {
  if (fabric === 'crisp' || fit === 'close') return false
  return fabric === 'drapey' || fabric === 'stretch' || fit === 'loose' || fit === 'very-loose'
}

/**
 * Chooses a size for one zone: the smallest that gives the wanted ease; between two sizes the one that fit and fabric
 * ask for; beyond the range the last one, with how many steps are missing (craft 4).
 *
 * @param sizes smallest first, at least one
 * @param wantedMm ease wanted; 0 when the figures are the bodies that sizes are made for
 */
export function chooseSize(sizes: readonly SizeFigure[], bodyMm: number, wantedMm: number, fit: Fit, fabric: Fabric): ChosenSize {
  const ease = (s: SizeFigure) => s.mm - bodyMm
  const last = sizes[sizes.length - 1]!
  const first = sizes[0]!
  if (sizes.length === 1)
    return { sizeId: first.sizeId, beyond: 0, easeMm: ease(first), rule: 'only-size', why: 'The pattern has this one size.' }
  const enough = sizes.findIndex((s) => ease(s) >= wantedMm)
  if (enough < 0) {
    const step = last.mm - sizes[sizes.length - 2]!.mm
    const missing = wantedMm - ease(last)
    if (missing <= step * BETWEEN && takesSmaller(fit, fabric)) return between(last, ease(last), missing, null)
    const beyond = step > 0 ? Math.ceil(missing / step) : 0
    return {
      sizeId: last.sizeId,
      beyond,
      easeMm: ease(last) + beyond * step,
      rule: 'above-range',
      why: `Above the largest size, ${last.name}, which misses ${lengthToken(missing)}: ${beyond} ${beyond === 1 ? 'step' : 'steps'} of ${lengthToken(step)} more, drawn on from the last step.`,
    }
  }
  const fits = sizes[enough]!
  if (enough === 0) {
    const step = sizes[1]!.mm - first.mm
    const beyond = step > 0 ? -Math.floor((ease(first) - wantedMm) / step) : 0
    if (beyond < 0)
      return {
        sizeId: first.sizeId,
        beyond,
        easeMm: ease(first) + beyond * step,
        rule: 'below-range',
        why: `Below the smallest size, ${first.name}: ${-beyond} ${beyond === -1 ? 'step' : 'steps'} of ${lengthToken(step)} less, drawn on from the first step.`,
      }
    return enoughAt(fits, ease(fits))
  }
  const smaller = sizes[enough - 1]!
  const missing = wantedMm - ease(smaller)
  if (missing > (fits.mm - smaller.mm) * BETWEEN) return enoughAt(fits, ease(fits))
  if (takesSmaller(fit, fabric)) return between(smaller, ease(smaller), missing, fits)
  const [close, crisp] = [fit === 'close', fabric === 'crisp']
  const why =
    close || crisp
      ? `but a ${close ? 'close fit' : 'crisp cloth'} takes the larger`
      : 'but only a loose fit or a drapey cloth would take it'
  return {
    sizeId: fits.sizeId,
    beyond: 0,
    easeMm: ease(fits),
    rule: 'between-larger',
    why: `Between ${smaller.name} and ${fits.name}: the smaller misses only ${lengthToken(missing)}, ${why}.`,
  }
}

function enoughAt(size: SizeFigure, easeMm: number): ChosenSize {
  const why = `${size.name} is the smallest that gives the wanted ease.`
  return { sizeId: size.sizeId, beyond: 0, easeMm, rule: 'gives-enough', why }
}

function between(smaller: SizeFigure, easeMm: number, missingMm: number, larger: SizeFigure | null): ChosenSize {
  return {
    sizeId: smaller.sizeId,
    beyond: 0,
    easeMm,
    rule: 'between-smaller',
    why: `${larger ? `Between ${smaller.name} and ${larger.name}` : `Just above ${smaller.name}`}: the smaller misses only ${lengthToken(missingMm)}, which a loose fit or a drapey cloth forgives.`,
  }
}
