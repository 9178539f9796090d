import { afterEach, describe, expect, it, vi } from 'vitest'
import { daysSince, showDay, showDayShort, showMoment, today } from './days'

const ZONES = ['America/Los_Angeles', 'UTC', 'Asia/Tokyo', 'Pacific/Kiritimati']
const home = process.env.TZ

describe('days', () => {
  afterEach(() => {
    process.env.TZ = home
    vi.useRealTimers()
  })
  it.each(ZONES)('are shown as they were written, in %s', (zone) => {
    process.env.TZ = zone
    expect(showDay('2026-03-01', 'en-GB')).toBe('1 Mar 2026')
    expect(showDayShort('2026-12-31', 'en-GB')).toBe('31 Dec 26')
  })
  it('are written as the place writes them', () => {
    expect(showDay('2026-03-01', 'en-US')).toBe('Mar 1, 2026')
    expect(showDay('2026-03-01', 'de-DE')).toBe('01.03.2026')
    expect(showDayShort('2026-12-31', 'en-US')).toBe('Dec 31, 26')
  })
  it('of a moment are told by the clock today, and with the day before that; and are counted', () => {
    process.env.TZ = 'UTC'
    vi.useFakeTimers({ now: new Date('2026-11-27T15:00:00Z') })
    expect(showMoment('2026-11-27T14:05:00Z', 'en-GB')).toBe('14:05')
    expect(showMoment('2026-11-20T14:05:00Z', 'en-GB')).toBe('20 Nov, 14:05')
    expect([daysSince('2026-11-27T00:10:00Z'), daysSince('2026-11-20T23:50:00Z')]).toEqual([0, 7])
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
