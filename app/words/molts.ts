import { groupOf } from '#core/groups'
import { type LostLimbs, type MoltWatch, type Soft, USUAL_LEVEL } from '#core/molts'
import type { Colony } from '#core/records'
import type { MoltCause } from '#core/statements'
import { whole } from './numbers'
import { dayText, weeksText } from './when'

/** What molts fail of, as keepers say it. */
export const causeName: Readonly<Record<MoltCause['name'], string>> = {
  level: 'Hardness: GH and KH',
  steadiness: 'Leaps of the water',
  ratio: 'Calcium to magnesium',
  temperature: 'Warmth',
  diet: 'Food with minerals',
}
export const causeSays: Readonly<Record<MoltCause['speaks'], string>> = {
  for: 'speaks for it',
  against: 'speaks against it',
  nothing: 'not known',
}

/** A shed skin is good news; said once. */
export const SKINS_STAY = 'A shed skin is good news. Leave it in: others eat it for the minerals.'

/** Shares of failed molts that a keeper may accept. */
export const levelOptions = [0.01, USUAL_LEVEL, 0.04].map(level => ({
  value: String(level),
  title: level === USUAL_LEVEL ? 'one in fifty (usual)' : `one in ${whole(1 / level)}`,
}))

/** How the alarm is set, in words. */
export function moltAlarmText({ alarm, trouble, tooFew }: MoltWatch): string {
  if (tooFew && !trouble) return 'Three weeks hold fewer than ten molts of grown animals here: no alarm is set on them.'
  const set =
    'Failed molts that are found add up, and each molt takes a little off. At the limit it calls you; with failures ' +
    'as you accept them that would happen by chance ' +
    (alarm
      ? `once in about ${whole(alarm.molts)} molts, ${weeksText(alarm.weeks)} here.`
      : 'less than once in two years. None was logged yet.')
  return trouble ? `${set} It ends when the sum has halved, or after four weeks without another failure.` : set
}

const seen: Readonly<Record<Soft['of'], readonly [one: string, several: string]>> = {
  molts: ['a skin was found', 'skins were found'],
  failedMolt: ['one was in molt trouble', 'some were in molt trouble'],
  limbLoss: ['one lost a limb', 'some lost limbs'],
}

/** What one animal is soft after. */
const softAfter: Readonly<Record<Soft['of'], string>> = {
  molts: 'shed its skin',
  failedMolt: 'was in molt trouble',
  limbLoss: 'lost a limb',
}

/**
 * "Ember A: a skin was found on 24 Nov; leave those that hide or are pale until 26 Nov."
 * @param nameOf names of followed animals by their ids
 */
export function softText(
  soft: Soft,
  colony: Pick<Colony, 'name' | 'groupId'>,
  nowMs: number,
  nameOf: (animalId: string) => string = () => '',
): string {
  const [one, several] = groupOf(colony.groupId).animal
  const alone = soft.number === 1
  const what = seen[soft.of][alone ? 0 : 1]
  const names = soft.animalIds.map(nameOf).filter(Boolean).join(', ')
  if (names !== '')
    return (
      `${colony.name}: leave ${names} in peace until ${dayText(soft.untilMs, nowMs)} ` +
      `(${alone ? softAfter[soft.of] : what} ${dayText(soft.atMs, nowMs)}): soft as they are, ` +
      'nets and neighbours hurt them.'
    )
  const who = alone ? `a ${one} that hides or looks` : `${several} that hide or look`
  return (
    `${colony.name}: ${what} ${dayText(soft.atMs, nowMs)}. Leave ${who} pale in peace until ` +
    `${dayText(soft.untilMs, nowMs)}: soft as they are, nets and neighbours hurt them.`
  )
}

/** "1 lost several limbs on 3 Nov: keep it apart, look again from 26 Nov; whole by about 18 Dec." */
export function limbsText(
  { atMs, number, several, lookMs, wholeMs }: LostLimbs,
  nowMs: number,
  names: readonly string[] = [],
): string {
  const apart = several ? `keep ${number === 1 ? 'it' : 'them'} apart, ` : ''
  const from = lookMs <= nowMs ? 'look now: a bud should show' : `look again from ${dayText(lookMs, nowMs)}`
  const who = names.length > 0 ? names.join(', ') : String(number)
  return (
    `${who} lost ${several ? 'several limbs' : 'a limb'} ${dayText(atMs, nowMs)}: ${apart}${from}; ` +
    `whole after one more molt, by about ${dayText(wholeMs, nowMs)}.`
  )
}
