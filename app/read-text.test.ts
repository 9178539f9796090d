import { expect, it } from 'vitest'
import { message, settleMessage } from './messages'
import { readText } from './read-text'

it('a file is read; one that the disk no longer gives is named', async () => {
  settleMessage()
  expect(await readText(new File(['waist,760'], 'cook.csv'))).toBe('waist,760')
  expect(message.value).toBeNull()
  const gone = Object.assign(new File([''], 'gone.csv'), { arrayBuffer: () => Promise.reject(new Error('NotReadableError')) })
  expect(await readText(gone)).toBeNull()
  expect(message.value).toMatchObject({ kind: 'fault', text: expect.stringMatching(/^gone\.csv cannot be read/) as string })
})
