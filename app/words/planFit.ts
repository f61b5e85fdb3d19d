import type { GroupFit } from '#core/care'
import { groupOf, type SpeciesGroup } from '#core/groups'
import { type Bought, salts } from '#core/water'
import { formatNumber } from '#core/units'
import { saltWord } from './recipe'
import { gramsText } from './numbers'
import { preciseVolume, type UnitPrefs, volumeText } from './unitPrefs'

const easeWord = {
  veryEasy: 'Very easy',
  easy: 'Easy',
  patient: 'For patient keepers',
  hard: 'For experienced keepers',
} as const

/** Years or, under one, months or weeks that an animal lives: "1 to 2 years". */
function lifeText([low, high]: readonly [number, number]): string {
  const years = (n: number) => formatNumber(n, n % 1 ? 1 : 0)
  if (high < 0.25) return `live ${formatNumber(low * 52, 0)} to ${formatNumber(high * 52, 0)} weeks`
  if (low < 1) return `live ${formatNumber(low * 12, 0)} to ${formatNumber(high * 12, 0)} months`
  return `live ${years(low)} to ${years(high)} years`
}

/** "Very easy. Breed at home, live 1 to 2 years." */
export function glanceText({ glance, life, company }: SpeciesGroup): string {
  const breeds = company.larvaeNeedSea
    ? 'Do not multiply at home'
    : life.breedsInPlace
      ? 'Breed at home'
      : 'Breed with help'
  return `${easeWord[glance.ease]}. ${breeds}, ${lifeText(glance.lifeYears.range)}.`
}

/** Stone is weighed to ten grams. */
const tens = (grams: number) => Math.round(grams / 10) * 10

/** What a thing to buy is called. */
export function boughtText(b: Bought, units: UnitPrefs): { amount: string; what: string } {
  switch (b.kind) {
    case 'pure':
      return { amount: preciseVolume(b.litres, units), what: 'pure water (RO or deionised)' }
    case 'mix':
      return { amount: `${gramsText(b.grams)} g`, what: 'mineral mix for soft water (of a usual strength)' }
    case 'salt':
      return {
        amount: `${gramsText(b.grams)} g`,
        what: b.salt === 'seaSalt' ? 'sea salt' : `${saltWord[b.salt].toLowerCase()} (${salts[b.salt].formula})`,
      }
  }
}

/** How a group's water comes from the tap: the verdict, and what it takes. */
export function fitText(fit: GroupFit, units: UnitPrefs): { title: string; more: string } {
  const amounts = fit.toBuy.map(b => boughtText(b, units)).map(b => `${b.amount} ${b.what}`)
  const grams = fit.toBuy.reduce((sum, b) => (b.kind === 'pure' ? sum : sum + b.grams), 0)
  const pure = fit.toBuy.find(b => b.kind === 'pure')
  switch (fit.way) {
    case 'asItIs':
      return { title: 'As it is', more: `ready after ${fit.weeks[0]} to ${fit.weeks[1]} weeks` }
    case 'littleSalt':
      return { title: 'With a little salt', more: `${gramsText(grams)} g in the first fill` }
    case 'carbonate':
      return {
        title: 'With carbonate stone',
        more: `${formatNumber(tens(fit.carbonateG), 0)} g, or ${gramsText(grams)} g of salts in the first fill`,
      }
    case 'thinned':
      return { title: 'Thinned', more: amounts.join(', ') }
    case 'pureWater':
      return {
        title: 'Only with pure water',
        more: `${pure ? volumeText(pure.litres, units) : ''} and ${gramsText(grams)} g of ${
          fit.toBuy.some(b => b.kind === 'mix') ? 'mineral mix' : 'salts'
        }`,
      }
    case 'seaSalt':
      return { title: 'Salt water', more: `${gramsText(grams)} g of sea salt in ${pure ? 'pure' : 'your tap'} water` }
    case 'unknown':
      return { title: 'Depends on your tap', more: 'type GH and KH to know' }
  }
}

/** What else does not fit: the size of the tank, the warmth of the room. Empty where all of it does. */
export function notQuite(fit: GroupFit, { stocking }: SpeciesGroup, units: UnitPrefs): string[] {
  const litres = volumeText(stocking.minimumL.value, units)
  return [
    fit.room === 'tooSmall' ? `Your tank is too small: at least ${litres}.` : '',
    fit.warmth === 'heater' ? 'A heater in winter.' : fit.warmth === 'tooWarm' ? 'Too warm in your summer.' : '',
    fit.room === 'tooSmall' ? '' : `${fit.starters} starters for your litres.`,
  ].filter(Boolean)
}

/** "Dwarf shrimp in many colours would live in your tap water as it is." */
export function bestText(best: GroupFit | undefined, tapKnown: boolean, units: UnitPrefs): string {
  if (!best) return ''
  const name = groupOf(best.groupId).glance.plainName
  if (!tapKnown) return `${name} would suit this tank, if your tap does.`
  return best.way === 'asItIs'
    ? `${name} would live in your tap water as it is.`
    : `${name} would suit you best: ${fitText(best, units).title.toLowerCase()}.`
}
