import type { BroodLine, ColonyBroods } from '#core/broods'
import { DAY_MS, presentGlassId } from '#core/records'
import { CLUTCH_DAYS, M } from '../figures'
import type { ColonyCare, DueItem } from '../item'
import { item } from './tools'

/** A window wider than this says nothing of a day (from memory). */
const TELLING_DAYS = 14

/** Looking for young when they may come, and clutches, which dry out or drown when nobody looks. */
export function broodRule(care: ColonyCare, nowMs: number): DueItem[] {
  const { broods } = care
  if (!broods) return []
  const [first] = broods.lines.filter(l => l.sign !== 'clutch' && !l.awaits)
  return [
    ...(first ? lookForYoung(care, broods, first) : []),
    ...broods.lines.filter(l => l.sign === 'clutch').map(line => lookAtClutch(care, line, nowMs)),
  ]
}

/** The first brood that hatches, where looking for young on a day of its own tells something. */
function lookForYoung({ colony, group, entries }: ColonyCare, broods: ColonyBroods, line: BroodLine): DueItem[] {
  const { youngApart } = group.group.care
  const sea = group.group.company.larvaeNeedSea
  const { earliestMs: from, latestMs: to } = line.hatch
  // where somebody is always berried and young come all the time the round looks for them in any case; the first ones
  // are looked for, however wide the window is
  const first = !entries.some(e => e.kind === 'young')
  const wide = to - from > TELLING_DAYS * DAY_MS
  if (!youngApart && !sea && !first && (wide || line.age !== null)) return []
  return [
    item({
      key: `young:${colony.id}`,
      kind: 'young',
      colonyId: colony.id,
      glassId: presentGlassId(colony),
      // of a wide window the first third is waited for, but not where minutes count
      dueMs: wide && !youngApart && !sea ? from + (to - from) / 3 : from,
      everyDays: null,
      earlyDays: 3,
      lateDays: youngApart || sea ? 1 : Math.max(2, Math.round((to - from) / DAY_MS)),
      minutes: youngApart ? 15 : 1,
      flexible: false,
      why: 'hatchNear',
      whyValues: {
        sign: broods.sign,
        seen: line.firstSeenMs ?? 0,
        n: Math.max(1, Math.round(line.number)),
        from,
        to,
      },
      basis: group.group.stages.eggWeeks.basis,
      values: { apart: youngApart ? 1 : 0, sea: sea ? 1 : 0 },
    }),
  ]
}

function lookAtClutch({ colony, group }: ColonyCare, clutch: BroodLine, nowMs: number): DueItem {
  const { earliestMs: from, latestMs: to } = clutch.hatch
  const seen = clutch.lastSeenMs!
  // a tenth of the chance lies before the window, given that it was there at the last look: by then the next one is
  // due, daily at most and every third day at least
  const [soonest, latest] = [seen + CLUTCH_DAYS.hatching * DAY_MS, seen + CLUTCH_DAYS.before * DAY_MS]
  const hatching = from <= latest
  const dueMs = Math.max(soonest, Math.min(from, latest))
  return item({
    key: `clutch:${clutch.key}`,
    kind: 'clutch',
    colonyId: colony.id,
    glassId: presentGlassId(colony),
    dueMs,
    everyDays: hatching ? CLUTCH_DAYS.hatching : CLUTCH_DAYS.before,
    earlyDays: 0.5,
    lateDays: 1,
    minutes: 2,
    flexible: false,
    why: hatching ? 'clutchHatching' : 'clutchCheck',
    whyValues: {
      laid: clutch.firstSeenMs!,
      from,
      to,
      place: clutch.place!,
      days: (nowMs - clutch.firstSeenMs!) / DAY_MS,
    },
    basis: hatching ? group.group.stages.eggWeeks.basis : M,
    values: { clutchId: clutch.key, place: clutch.place! },
  })
}
