import { afterEach, describe, expect, it, vi } from 'vitest'
import { showDay, showDayShort, today } from './days'

const ZONES = ['America/Los_Angeles', 'UTC', 'Asia/Tokyo', 'Pacific/Kiritimati']
const home = process.env.TZ

describe('days', () => {
  afterEach(() => {
    process.env.TZ = home
    vi.useRealTimers()
  })
  it.each(ZONES)('are shown as they were written, in %s', (zone) => {
    process.env.TZ = zone
    expect(showDay('2026-03-01')).toBe('1 Mar 2026')
    expect(showDayShort('2026-12-31')).toBe('31 Dec 26')
  })
  it('of today are the ones on the wall here, not in Greenwich', () => {
    process.env.TZ = 'America/Los_Angeles'
    vi.useFakeTimers({ now: new Date('2026-11-27T03:00:00Z') })
    expect(today()).toBe('2026-11-26')
    process.env.TZ = 'Asia/Tokyo'
    vi.setSystemTime(new Date('2026-11-27T18:00:00Z'))
    expect(today()).toBe('2026-11-28')
  })
})
