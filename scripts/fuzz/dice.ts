import { diceOf } from '../../core/dice'

/** Chance that can be repeated: the same seed throws the same. */
export class Dice {
  /** In [0, 1). */
  readonly next: () => number

  constructor(seed: number) {
    this.next = diceOf(seed)
  }

  /** A whole number from low to high, both included. */
  int(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1))
  }

  chance(part: number): boolean {
    return this.next() < part
  }

  pick<T>(list: readonly T[]): T {
    return list[this.int(0, list.length - 1)]!
  }

  /** A figure: mostly one that a person would type, now and then one that nobody should. */
  figure(): number {
    if (this.chance(0.35)) return this.pick(ODD_FIGURES)
    const mm = (this.next() - 0.5) * 2 * this.pick([10, 60, 300, 2000])
    return this.chance(0.5) ? Math.round(mm) : mm
  }

  word(): string {
    return this.chance(0.5) ? this.pick(ODD_WORDS) : `word ${this.int(1, 99)}`
  }
}

const ODD_FIGURES = [
  0,
  -0,
  1,
  -1,
  1e-7,
  -1e-7,
  0.01,
  5000,
  5000.0001,
  -5000,
  20_000,
  20_001,
  1e6,
  1e9,
  -1e9,
  1e15,
  1e300,
  1e-300,
  2 ** 53,
  0.1 + 0.2,
  90,
  180,
  360,
]

export const ODD_WORDS = [
  '',
  ' ',
  '__proto__',
  'constructor',
  'toString',
  'hasOwnProperty',
  'prototype',
  'null',
  'NaN',
  'undefined',
  '=1+1',
  '@x',
  '-5',
  '+49',
  '<b>x</b>',
  '&amp;',
  '"',
  "'",
  '\u0000',
  '\u0007bell',
  '\u202ereversed',
  '\ufeffmark',
  '\ud83e\uddf5 thread',
  '\ud800 half',
  'İ',
  'x'.repeat(121),
  'y'.repeat(5000),
  'one',
  'front',
  'a\nb',
  'tab\there',
  '2026-02-30',
  '2026-13-45',
  '9999-99-99',
  '~other',
  'side>dart',
  'a:b/c d',
]
