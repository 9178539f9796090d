import { expect, it } from 'vitest'
import { doRows, undoAct } from '~/data/acts'
import { message, sayDone, sayFault, settleMessage } from './messages'

const wearer = { id: 'w', name: 'Cook', note: '', sets: [], createdAt: '2026-01-01T00:00:00.000Z' }

it('one message stands at a time, until something else is done or taken back', async () => {
  sayFault('That is not a length.')
  sayDone('Deleted.', { label: 'Undo', run: () => {} })
  expect(message.value).toMatchObject({ kind: 'done', text: 'Deleted.', action: { label: 'Undo' } })
  await doRows('wearers', 'new wearer', [{ id: wearer.id, after: wearer as never }])
  expect(message.value).toBeNull()
  sayDone('There.')
  await undoAct('wardrobe')
  expect(message.value).toBeNull()
  sayDone('There.')
  settleMessage()
  expect(message.value).toBeNull()
})
