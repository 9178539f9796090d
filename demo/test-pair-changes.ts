import fc from 'fast-check'

/** For tests and benches: the changes of armholes, caps and necklines that are tried on made garments, with made amounts within sense. */
export const PAIR_CHANGES: readonly { kind: string; inputs: fc.Arbitrary<object> }[] = [
  {
    kind: 'shoulder-forward',
    inputs: fc.record({
      amountMm: fc.integer({ min: -12, max: 20 }),
      sleeve: fc.constantFrom('notch', 'slide'),
      acrossMm: fc.integer({ min: 0, max: 8 }),
    }),
  },
  { kind: 'bicep-width', inputs: fc.record({ amountMm: fc.integer({ min: -10, max: 45 }), armhole: fc.constantFrom('lower', 'out') }) },
  {
    kind: 'lower-armhole',
    inputs: fc.record({ amountMm: fc.integer({ min: -20, max: 35 }), cap: fc.constantFrom('height', 'width', 'both') }),
  },
  {
    kind: 'shoulder-width',
    inputs: fc.record({
      amountMm: fc.integer({ min: -25, max: 30 }),
      armhole: fc.constant('redrawn'),
      hingeMm: fc.constant(1),
      leftOut: fc.constant([]),
    }),
  },
  {
    kind: 'across-width',
    inputs: fc.record({ half: fc.constantFrom('front', 'back'), amountMm: fc.integer({ min: -12, max: 14 }) }),
  },
  {
    kind: 'across-armhole',
    inputs: fc.record({
      half: fc.constantFrom('front', 'back'),
      amountMm: fc.integer({ min: -20, max: 20 }),
      belowMm: fc.integer({ min: 60, max: 110 }),
    }),
  },
  { kind: 'shoulder-slope', inputs: fc.record({ amountMm: fc.integer({ min: -16, max: 14 }), armhole: fc.constantFrom('kept', 'grows') }) },
  {
    kind: 'cap-to-armhole',
    inputs: fc.record({
      way: fc.constantFrom('height', 'width', 'both'),
      frontMm: fc.integer({ min: -5, max: 8 }),
      backMm: fc.integer({ min: -5, max: 8 }),
    }),
  },
  {
    kind: 'armhole-to-cap',
    inputs: fc.record({
      way: fc.constantFrom('lower', 'out'),
      frontMm: fc.integer({ min: -8, max: 5 }),
      backMm: fc.integer({ min: -8, max: 5 }),
    }),
  },
  {
    kind: 'redraw-neckline',
    inputs: fc.record({
      frontMm: fc.integer({ min: -20, max: 80 }),
      backMm: fc.integer({ min: -8, max: 24 }),
      widerMm: fc.integer({ min: -12, max: 30 }),
      band: fc.constant('follows'),
    }),
  },
]
