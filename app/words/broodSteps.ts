import type { BroodLine } from '#core/broods'
import { type ResolvedGroup, schoolOf } from '#core/groups'
import type { Colony } from '#core/records'
import type { BroodOf } from './broods'
import { formatNumber } from '#core/units'
import { weekdayText } from './when'

/** Something to do about a brood, with when. */
export interface BroodStep {
  when: string
  says: string
}

/** A colony as far as its keeper's habits with broods go. */
export type BroodKeeper = Pick<ResolvedGroup, 'group'> & { schools?: Colony['schools'] }

/** A clutch that lies lower than this drowns when the water is topped up, cm (common practice: a finger). */
const FINGER_CM = 2

/** What to do about a row, in the order of its days. */
export function broodSteps({ line }: BroodOf, keeper: BroodKeeper, nowMs: number): BroodStep[] {
  const { earliestMs, latestMs } = line.hatch
  const from = earliestMs <= nowMs ? 'Now' : `From ${weekdayText(earliestMs)}`
  const overdue = {
    when: 'Now',
    says: 'It should have hatched by now. Look, and write what you find: young, or none berried.',
  }
  return [...(latestMs < nowMs ? [overdue] : []), ...(line.awaits ? awaitedSteps(line) : stepsOf(line, keeper, from))]
}

function awaitedSteps({ awaits, hatch }: BroodLine): BroodStep[] {
  const when = `Until ${weekdayText(hatch.begunToMs)}`
  if (awaits === 'saddle')
    return [{ when, says: 'Look after their next molt: the saddle is empty then, and eggs hang under the tail.' }]
  return [
    {
      when,
      says: 'Look under her tail when she shows herself. Write “berried 0” when there is nothing: it narrows the days.',
    },
  ]
}

function stepsOf(line: BroodLine, keeper: BroodKeeper, from: string): BroodStep[] {
  const { group } = keeper
  const { company, care } = group
  if (line.sign === 'clutch') return clutchSteps(line, keeper, from)
  const letBe = { when: 'Let it be', says: 'No large change while they carry: a shed skin takes the eggs with it.' }
  const carried = line.sign === 'berried' ? [letBe] : []
  if (group.id === 'brackish-pool-shrimp')
    return [
      { when: from, says: 'Larvae drift in the same water for about two weeks: no filter and no change until then.' },
      { when: 'After that', says: 'Tiny grown ones. Few starters show none for long: what is not seen may be there.' },
      ...carried,
    ]
  if (company.larvaeNeedSea)
    return [
      {
        when: from,
        says: 'Have sea water ready: larvae die within hours in fresh water, and grown ones within minutes in the sea.',
      },
      ...carried,
    ]
  if (care.youngApart)
    return [
      {
        when: from,
        says: 'Look at night, with a torch, two hours after the light. Take the young to a box of their own at once.',
      },
      { when: 'If they stay', says: 'Parents eat them: of twenty to eighty few are left after some nights.' },
      ...carried,
    ]
  if (company.kind === 'isopod')
    return [
      {
        when: from,
        says: 'They leave her pouch as small as dust. Count them on one stone or leaf, as part of the tank.',
      },
    ]
  if (group.counting.burrows)
    return [
      {
        when: 'Until then',
        says: 'Leave her burrow closed and food near its mouth. Count occupied burrows, not animals.',
      },
      { when: from, says: 'Young sit at her burrow first, then dig their own: small heaps of fresh mud tell of them.' },
      ...carried,
    ]
  if (line.sign === 'eggMass')
    return [
      { when: from, says: 'Tiny snails on the glass: feed well, or take masses out if there are enough of them.' },
    ]
  return [
    { when: from, says: 'Look for young every other day. Powder, a pinch daily: it reaches them where they sit.' },
    ...carried,
  ]
}

/** A clutch above the water, by where it lies and what the keeper does with clutches. */
function clutchSteps({ place, aboveCm }: BroodLine, { group, schools }: BroodKeeper, from: string): BroodStep[] {
  const school = schoolOf(group, 'clutches', schools?.clutches)?.id
  const hatching = {
    when: from,
    says: 'Look every day. When a touch makes it crumble, it hatches; let the young find the water.',
  }
  const food = {
    when: 'Then',
    says: 'Leave the remains in for days: they are the first food. Powder after that, a pinch twice a day.',
  }
  if (place === 'incubator')
    return [
      { when: 'Every third day', says: 'Damp, never wet: a drop of water on the paper, none on the clutch.' },
      hatching,
      food,
      { when: 'Out of the incubator', says: 'When they eat, or after about four weeks, to see the colours come.' },
    ]
  const low = aboveCm !== undefined && aboveCm < FINGER_CM
  return [
    ...(low
      ? [
          {
            when: 'Now',
            says:
              `It lies ${formatNumber(aboveCm, 1)} cm above the water: less than a finger. ` +
              'Lower the water, or move it.',
          },
        ]
      : []),
    ...(school === 'incubator'
      ? [
          {
            when: 'When it is firm',
            says: 'After a day, slide it off whole and lay it on damp paper in a box that floats in the warm tank.',
          },
        ]
      : []),
    {
      when: 'Every third day',
      says: 'Keep the water a finger below it: a clutch that gets wet drowns. Damp air above.',
    },
    hatching,
    food,
  ]
}
