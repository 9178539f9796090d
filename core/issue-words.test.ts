import { expect, it } from 'vitest'
import { z } from 'zod'
import { issueWords } from './issue-words'
import { Id, LONGEST_NAME, nameOfUpTo, toName } from './pattern'
import { isDay } from './body'

const words = (schema: z.ZodType, value: unknown) => issueWords(schema.safeParse(value).error!.issues[0]!)

it.each<[z.ZodType, unknown, string]>([
  [z.number(), undefined, 'it is missing'],
  [z.number(), 'x', 'it should be a figure'],
  [z.strictObject({}), [], 'it should be a group of fields'],
  [z.string().min(1), '', 'it is empty'],
  [z.string().max(3), 'abcd', 'it has more than 3 signs'],
  [z.array(z.string()).min(2), [], 'there are fewer than 2 of them'],
  [z.number().max(5000), 5001, 'the figure is over 5000'],
  [z.strictObject({}), { colour: 1 }, '“colour” is not known here'],
  [z.enum(['keep', 'equal']), 'crossed', 'it should be one of these: keep, equal'],
  [z.record(Id, z.number()), { toString: 1 }, '“toString” cannot be used as an id'],
  [nameOfUpTo(9), 'a\u0007', 'it has signs in it that do not print'],
])('%# is said in words for people', (schema, value, expected) => {
  expect(words(schema, value)).toBe(expected)
})

it.each(['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf'])('%s is no id', (word) => {
  expect(Id.safeParse(word).success).toBe(false)
  expect(Id.safeParse(`${word}-2`).success).toBe(true)
})

it.each([
  ['2026-02-28', true],
  ['2024-02-29', true],
  ['2026-02-29', false],
  ['2026-13-45', false],
  ['2026-1-5', false],
  ['0026-01-05', false],
  ['9999-12-31', true],
  ['', false],
])('%s is a day of the calendar: %s', (day, is) => {
  expect(isDay(day)).toBe(is)
})

it('a name is made fit to keep: signs that do not print go, and no sign is cut in half', () => {
  expect(toName('  the\n\tCook\u202e ')).toBe('the Cook')
  const long = toName(`${'x'.repeat(LONGEST_NAME - 1)}\ud83e\uddf5`)
  expect(long).toBe('x'.repeat(LONGEST_NAME - 1))
  expect(nameOfUpTo(LONGEST_NAME).safeParse(toName('\u0000a\u0000')).success).toBe(true)
})
