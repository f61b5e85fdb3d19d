import { type DueItem, type DueKind, type DueReason, testKeys } from '#core/care'
import type { EquipmentPart, FoodKind, PlanStepId, ValueKey } from '#core/records'
import { formatNumber } from '#core/units'
import { spanText } from './batch'
import { bredTitle } from './dueBred'
import { broodWords, equipmentWord, foodWord } from './kinds'
import { substanceWord } from './medicine'
import { whole } from './numbers'
import { planStepText } from './plan'
import { type UnitPrefs, valueName, valueNameInside, volumeText } from './unitPrefs'
import { agoText, dayText } from './when'

const kindWords: Readonly<Record<DueKind, string>> = {
  waterChange: 'water change',
  topUp: 'top-up',
  test: 'water test',
  feed: 'feeding',
  powder: 'powder for young',
  leftovers: 'leftovers',
  greens: 'greens',
  leaves: 'leaves',
  calcium: 'calcium',
  equipment: 'equipment',
  mend: 'mending',
  count: 'count',
  young: 'looking for young',
  clutch: 'clutch',
  saltStep: 'step of salt',
  greenWater: 'green water',
  larvaSample: 'sample of larvae',
  pick: 'picking',
  hatchCheck: 'looking for a hatch',
  dryDown: 'drying down',
  flood: 'flood',
  limb: 'lost limb',
  grade: 'grading',
  takeOut: 'dull ones',
  doseChange: 'change after the medicine',
  secondDose: 'second dose',
  planStep: 'plan',
  calibration: 'calibration',
  soil: 'active soil',
}
/** Which kind of work a key is about: "water change". */
export const dueKindWord = (key: string): string =>
  kindWords[key.split(':')[0] as DueKind] ?? (key.startsWith('plan:') ? kindWords.planStep : 'something due')

/** "3 pellets", "half a pellet", "a pinch of powder". */
export function portionText(food: FoodKind, portions: number | undefined): string {
  if (portions === undefined) return foodWord[food]
  const one = {
    pellet: ['pellet', 'pellets'],
    powder: ['pinch of powder', 'pinches of powder'],
    greens: ['slice of greens', 'slices of greens'],
    protein: ['piece of protein', 'pieces of protein'],
  }[food] as [string, string]
  const part =
    portions <= 0.3
      ? `a quarter of a ${one[0]}`
      : portions <= 0.6
        ? `half a ${one[0]}`
        : portions < 1
          ? `three quarters of a ${one[0]}`
          : ''
  return (
    part ||
    (portions === 1 ? `1 ${one[0]}` : `${formatNumber(portions, portions % 1 ? 2 : 0).replace(/0$/, '')} ${one[1]}`)
  )
}

/** What a pellet is: small ones, many of which are spread (common practice: about 3 mm). */
const PELLET_SIZE = ' of 3 mm'

const partsText = (item: DueItem) =>
  String(item.values.parts)
    .split(' ')
    .map(p => equipmentWord[p as EquipmentPart])
    .join(', ')

/** What is to be done, verb first: "Change 5.4 L". Plain text. */
export function dueTitle(item: DueItem, units: UnitPrefs): string {
  const v = item.values
  const litres = () => volumeText(Number(v.litres), units)
  switch (item.kind) {
    case 'waterChange':
      return `Change ${litres()}`
    case 'topUp':
      return v.litres === undefined ? 'Top up with pure water' : `Top up ${litres()}`
    case 'test':
      return `Test ${testKeys(item.values).map(valueNameInside).join(', ')}`
    case 'feed':
      return `Feed ${portionText(v.food as FoodKind, Number(v.portions))}${v.food === 'pellet' ? PELLET_SIZE : ''}`
    case 'powder':
      return 'Powder for the young'
    case 'leftovers':
      return `Take out what is left of the ${foodWord[v.food as FoodKind]}`
    case 'greens':
      return 'Boiled greens'
    case 'leaves':
      return `${v.number} dried ${v.number === 1 ? 'leaf' : 'leaves'}`
    case 'calcium':
      return 'Lay in calcium'
    case 'equipment':
      return `Look at ${partsText(item)}`
    case 'mend':
      return `Mend ${partsText(item)}`
    case 'count':
      return 'Count them'
    case 'young':
      return v.apart
        ? 'Look for young, and take them to a box of their own'
        : v.sea
          ? 'Be ready for larvae'
          : 'Look for young'
    case 'clutch':
      return `Look at the clutch: ${item.why.key === 'clutchHatching' ? 'it may hatch' : 'damp, never wet'}`
    case 'saltStep':
    case 'greenWater':
    case 'larvaSample':
    case 'pick':
    case 'hatchCheck':
    case 'dryDown':
    case 'flood':
    case 'limb':
    case 'grade':
    case 'takeOut':
      return bredTitle(item.kind, v)
    case 'doseChange':
      return `Change ${litres()} after the ${substanceWord(String(v.substance))}`
    case 'secondDose':
      return `Second dose of ${substanceWord(String(v.substance))}`
    case 'planStep':
      return planStepText({ id: v.step as PlanStepId, values: v as Record<string, number | string> }, units)
    case 'calibration':
      return `Calibrate the ${v.probe === 'ph' ? 'pH' : 'conductivity'} probe`
    case 'soil':
      return 'Plan new soil'
  }
}

const every = (days: number) =>
  days < 1 ? 'twice a day' : days === 1 ? 'daily' : `every ${formatNumber(days, days % 1 ? 1 : 0)} days`
const n = (v: Readonly<Record<string, number | string>>, key: string) => Number(v[key])
const ago = (v: Readonly<Record<string, number | string>>) => agoText(n(v, 'days'))

const broodsText = (v: Readonly<Record<string, number | string>>) =>
  v.sign === 'berried' ? 'berried' : n(v, 'n') === 1 ? 'egg mass' : 'egg masses'

type Says = (v: Readonly<Record<string, number | string>>, nowMs: number) => string
const reasons: Readonly<Record<DueReason, Says>> = {
  changeEvery: v =>
    `Changed ${ago(v)}; its school changes ${every(n(v, 'every'))}.` +
    (n(v, 'days') < n(v, 'every') + 2 ? ' A day early or late is nothing.' : ''),
  changeNever: v => `No change is in the log; its school changes ${every(n(v, 'every'))}.`,
  changeCorrects: v =>
    `Changed ${ago(v)}, and ${valueNameInside(v.key as ValueKey)} wants correcting: the Water place has the bucket.`,
  topUpEvery: v => `Topped up ${ago(v)}; once or twice a week keeps the minerals from climbing.`,
  topUpNever: () => 'No top-up is in the log; what evaporates leaves its minerals behind.',
  testAge: v => `The oldest reading is from ${ago(v)}; steady values want one ${every(n(v, 'every'))}.`,
  testNever: v => `${valueName(v.key as ValueKey)} was never tested here.`,
  testDrift: v => `${valueName(v.key as ValueKey)} is drifting: twice as often while it does. Last ${ago(v)}.`,
  testDoubt: v => `The last reading of ${valueNameInside(v.key as ValueKey)} is a rough one, from ${ago(v)}.`,
  testOff: v => `${valueName(v.key as ValueKey)} is off: ${every(n(v, 'every'))} until it is right. Last ${ago(v)}.`,
  testDying: () => 'More are found dead than usual: what is wrong with the water?',
  feedEvery: v =>
    `Fed ${ago(v)}; its school feeds ${every(n(v, 'every'))}. The amount follows what became of the last one.`,
  feedNever: v => `No feeding is in the log; its school feeds ${every(n(v, 'every'))}.`,
  feedRested: v => `A new pool gets nothing for its first ${n(v, 'weeks')} weeks.`,
  powderYoung: v => `Young were seen ${ago(v)}: powder reaches them where they sit.`,
  leftoversLie: v =>
    `Fed ${n(v, 'since') < 1 ? 'just now' : `${Math.round(n(v, 'since'))} h ago`}; after ${n(v, 'hours')} h what ` +
    `lies there fouls the water.`,
  leftoversSeen: () => 'Some was seen left over, and nobody wrote that it was taken out.',
  every: v => `Last ${ago(v)}; usual is ${every(n(v, 'every'))}.`,
  never: v => `Nothing of it is in the log of late; usual is ${every(n(v, 'every'))}.`,
  broken: v => `Found broken ${ago(v)}.`,
  countNever: () => 'Never counted: the estimate stands on the starters alone.',
  countAsks: () => 'The last count does not fit what was expected: a second one decides.',
  countNarrows: v =>
    `One full count would narrow ${whole(n(v, 'nowLow'))} to ${whole(n(v, 'nowHigh'))} down to about ` +
    `${whole(n(v, 'low'))} to ${whole(n(v, 'high'))}.`,
  countOld: v => `Counted ${ago(v)}; it would narrow the range a little.`,
  hatchNear: (v, nowMs) =>
    // how far the eggs of a colony are that is always berried only the estimate knows: nobody saw them begin
    (n(v, 'seen') > 0
      ? `${whole(n(v, 'n'))} ${broodsText(v)} seen from ${dayText(n(v, 'seen'), nowMs)} on`
      : `About ${whole(n(v, 'n'))} ${broodsText(v)}, the nearest to hatch`) +
    `: young between ${dayText(n(v, 'from'), nowMs)} and ${dayText(n(v, 'to'), nowMs)}.`,
  clutchCheck: (v, nowMs) =>
    `Laid ${ago(v)}, ${broodWords.place[v.place as 'inPlace']}; it may hatch from ${dayText(n(v, 'from'), nowMs)} on.`,
  clutchHatching: (v, nowMs) =>
    `Laid ${ago(v)}, ${broodWords.place[v.place as 'inPlace']}: it may hatch until ${dayText(n(v, 'to'), nowMs)}.`,
  saltUp: v => `Step ${v.n} of ${v.of}: larvae die within hours in fresh water.`,
  saltDown: v => `Step ${v.n} of ${v.of} back to fresh water, for those that were picked.`,
  gradeHalfNew: (v, nowMs) =>
    `Half of the grown are new since they were graded, ${dayText(n(v, 'from'), nowMs)}, as usual for their kind.`,
  gradeGrown: (v, nowMs) => `The first young of those that breed are grown ${dayText(n(v, 'from'), nowMs)}, as usual.`,
  dullSeen: (v, nowMs) =>
    `${whole(n(v, 'n'))} seen ${dayText(n(v, 'at'), nowMs)}` +
    (n(v, 'out') > 0 ? `, ${whole(n(v, 'out'))} taken out since.` : '; left in, they breed.'),
  greenDaily: v =>
    n(v, 'green') < 0
      ? 'They live on green water: how green it is was never noted.'
      : `It was ${broodWords.green[n(v, 'green')]} at the last look; they starve in clear water.`,
  sampleEvery: v => `Every ${v.every} days a sample tells how far they are, and how many.`,
  sampleNever: () => 'No sample yet: one tells how far they are, and how many.',
  pickSettled: v =>
    'They settle unevenly and must come out of the salt within days: ' +
    `${spanText({ low: n(v, 'low'), high: n(v, 'high') })} are still to be picked or to come.`,
  hatchDays: (v, nowMs) =>
    `They hatch between ${dayText(n(v, 'from'), nowMs)} and ${dayText(n(v, 'to'), nowMs)}, as a rule. To log “none ` +
    'counted” tells as much.',
  dryOver: () => 'Hardly any are left by then: the eggs lie in the ground and want to dry.',
  dryNothing: () => 'Nothing was seen to hatch. Part of the eggs wait for a second flood: dry, rest, flood again.',
  restOver: (v, nowMs) => `Dry since ${dayText(n(v, 'since'), nowMs)}: it has rested long enough for a new flood.`,
  limbBud: (v, nowMs) =>
    `Lost ${dayText(n(v, 'lost'), nowMs)}: a bud should show after a molt, and it is whole again by about ` +
    `${dayText(n(v, 'whole'), nowMs)}.`,
  doseChange: v => `Dosed ${ago(v)}: a part of the water goes after three to five days.`,
  secondDose: v => `First dose ${ago(v)}: eggs survive it, so a second one follows after two weeks.`,
  planNext: v => `The next step of “${v.plan}”.`,
  calibrateEvery: v => `Calibrated ${ago(v)}; ${every(n(v, 'every'))} is usual.`,
  calibrateNever: () => 'Its readings are in the log, and no calibration is.',
  soilOld: v => `The soil is in since ${agoText(n(v, 'days'))}; it lasts one to two years.`,
}
/** Why it is due. */
export const dueWhy = (item: DueItem, nowMs: number): string => reasons[item.why.key](item.why.values, nowMs)

const skipping: Readonly<Record<DueKind, string>> = {
  waterChange: 'Left out once, the next change makes it good. Do not make it twice as large.',
  topUp: 'The water climbs: minerals stay behind when it evaporates.',
  test: 'A slide is seen later, and put right in more steps.',
  feed: 'Biofilm carries grown grazers for days: too little harms less than too much.',
  powder: 'Young that find no biofilm starve unseen.',
  leftovers: 'They foul the water, and flatworms and hydra feed on them.',
  greens: 'They do without for a while.',
  leaves: 'They graze on leaves; old ones still serve.',
  calcium: 'Shells and skins harden less well.',
  equipment: 'A fallen sponge pulls young in; climbers find an open lid.',
  mend: 'Young are pulled in, or animals climb out.',
  count: 'The likely range stays wide, and so does what can go.',
  young: 'The date of the hatch is lost, and young go without powder.',
  clutch: 'It dries out, drowns, or hatches unseen.',
  saltStep: 'Larvae die within hours in fresh water; settled ones left in salt die within days.',
  greenWater: 'Larvae starve in clear water within days.',
  larvaSample: 'How far they are stays a guess, and so does the day on which they settle.',
  pick: 'Settled ones that stay in salt water die.',
  hatchCheck: 'The day of the hatch is lost, and with it when to feed.',
  dryDown: 'Eggs that stay wet may hatch late, or rot.',
  flood: 'Dry eggs keep for years.',
  limb: 'A molt that went wrong is seen later.',
  grade: 'Who shall breed next stays unknown, and the dull ones breed too.',
  takeOut: 'Their young are dull as well.',
  doseChange: 'What died fouls the water.',
  secondDose: 'What was in the eggs comes back, and the first dose was for nothing.',
  planStep: 'Everything after it moves on by as many days.',
  calibration: 'Readings wander off the truth unnoticed.',
  soil: 'KH and pH begin to wander when it is spent.',
}
/** What happens when it is left out. */
export const dueSkipped = (item: DueItem): string => skipping[item.kind]

/** How late it may be. */
export function dueLate(item: DueItem): string {
  const days = item.lateDays
  return days < 1
    ? 'within hours'
    : days < 2
      ? 'a day late at most'
      : days >= 60
        ? `some ${Math.round(days / 30.4)} months late is no harm`
        : `up to ${Math.round(days)} days late is no harm`
}

/** "about 35 min". */
export const effortText = (minutes: number): string =>
  minutes < 1 ? 'under a minute' : `about ${Math.round(minutes)} min`
