import { describe, expect, it } from 'vitest'
import { crossingsInto, meetingOf, worstMeeting } from '#core/care'
import { colony, entryOf, nextId } from '../../make'

const [ember, slate, silver] = [nextId(), nextId(), nextId()]
const lines = [
  { id: ember, crossingGroup: 'neocaridina' },
  { id: slate, crossingGroup: 'neocaridina' },
  { id: silver, crossingGroup: 'silver' },
]
const who = (lineId?: string, groupId = 'neocaridina') => ({ groupId, ...(lineId && { lineId }) })
const meets = (a: ReturnType<typeof who>, b: ReturnType<typeof who>) => [meetingOf(a, b, lines), meetingOf(b, a, lines)]
const both = (m: string) => [m, m]

describe('animals of two colonies in one glass', () => {
  it('are one line, cross, or do not', () => {
    expect(meets(who(ember), who(ember))).toEqual(both('sameLine'))
    expect(meets(who(ember), who(slate))).toEqual(both('crosses'))
    expect(meets(who(ember), who())).toEqual(both('crosses'))
    expect(meets(who(), who())).toEqual(both('crosses'))
    // the keeper says that these two never cross
    expect(meets(who(ember), who(silver))).toEqual(both('apart'))
    expect(meets(who(ember), who(undefined, 'ramshorn-snail'))).toEqual(both('apart'))
  })
  it('are crabs of two kinds: never', () => {
    expect(meets(who(ember, 'land-crab'), who(slate, 'land-crab'))).toEqual(both('never'))
    expect(meets(who(ember, 'land-crab'), who(ember, 'land-crab'))).toEqual(both('sameLine'))
    // nobody said which kinds they are
    expect(meets(who(undefined, 'land-crab'), who(undefined, 'land-crab'))).toEqual(both('crosses'))
  })
  it('are as bad as the worst of them', () => {
    expect(worstMeeting(['sameLine', 'apart', 'crosses'])).toBe('crosses')
    expect(worstMeeting(['crosses', 'never'])).toBe('never')
    expect(worstMeeting(['sameLine', 'apart'])).toBe('apart')
    expect(worstMeeting([])).toBe('sameLine')
  })
})

describe('crossings of a line', () => {
  it('are moves out of another that crosses with it, oldest first', () => {
    const home = colony(nextId(), { lineId: ember })
    const second = colony(nextId(), { lineId: ember })
    const other = colony(nextId(), { lineId: slate })
    const apart = colony(nextId(), { lineId: silver })
    const move = (days: number, from: string, to: string) =>
      entryOf('move', days, { colonyId: from, toColonyId: to, number: days })
    const entries = [
      move(3, other.id, home.id),
      move(9, other.id, second.id),
      move(4, home.id, second.id),
      move(5, apart.id, home.id),
      move(6, home.id, other.id),
    ]
    const about = { entries, colonies: [home, second, other, apart], lines: lines as never }
    expect(crossingsInto(ember, about)).toMatchObject([{ number: 9 }, { number: 3, from: { id: other.id } }])
    expect(crossingsInto(slate, about)).toMatchObject([{ number: 6, to: { id: other.id } }])
    expect(crossingsInto(silver, about)).toEqual([])
  })
})
