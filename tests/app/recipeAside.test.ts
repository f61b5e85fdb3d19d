import { describe, expect, it } from 'vitest'
import { groupOf } from '#core/groups'
import { completeAnalysis, type RecipeStep, type WaterRecipe } from '#core/water'
import { plain } from '~/words/numbers'
import { khForPhText, settlingText, smallerText, stoneText } from '~/words/recipeAside'
import { defaultUnits as units } from '~/words/unitPrefs'
import { NOW } from '../make'

const recipe = (litres: number[], smaller = true): WaterRecipe => ({
  goals: {},
  reached: true,
  shortOf: [],
  smaller,
  needs: [],
  steps: litres.map((changeL, i) => ({ changeL, afterDays: 7 * i }) as RecipeStep),
})
const size = { askedL: 5, netL: 50, startMs: NOW, nowMs: NOW, units }

describe('beside a recipe', () => {
  it('says the largest safe change now, and when the next larger one may come', () => {
    expect(plain(smallerText(recipe([2.5, 2.5, 5]), size))).toMatch(
      /^Only 2\.5 L \(5 %\) at once, not 5 L \(10 %\): more would be a jump\. Then 5 L \(10 %\) in 14 days/,
    )
    expect(plain(smallerText(recipe([2.5, 2.5]), size))).not.toContain('Then')
    expect(smallerText(recipe([5]), size)).toBe('')
    expect(smallerText(recipe([2.5], false), size)).toBe('')
  })
  it('says at which pH a water settles, with its doubt', () => {
    const { targets } = groupOf('neocaridina')
    const text = plain(settlingText(completeAnalysis({ ghDh: 7, khDh: 5 }).water, targets, null))
    const [middle, low, high] = [...text.matchAll(/(\d\.\d)/g)].map(m => Number(m[1]))
    expect(middle).toBeGreaterThan(7.5)
    expect(middle).toBeLessThan(8)
    expect(low).toBeLessThan(middle!)
    expect(high).toBeGreaterThan(middle!)
    expect(settlingText(completeAnalysis({ ghDh: 7, khDh: 5 }).water, targets, 10)).not.toBe(text)
    // nothing is said of the sea, nor where no pH is wanted
    const sea = { ...completeAnalysis({ ghDh: 7, khDh: 5 }).water, seaSaltGL: 17 }
    expect(settlingText(sea, targets, null)).toBe('')
    expect(settlingText(completeAnalysis({ ghDh: 7, khDh: 5 }).water, {}, null)).toBe('')
  })
  it('remarks on stone in the glass', () => {
    expect(stoneText({ key: 'tooMuch', have: 60, low: 12, high: 24 }, 'Isopods')).toBe(
      'Carbonate stone: 60 g/L, where 12 to 24 are usual for Isopods. Is the weight right?',
    )
    expect(stoneText({ key: 'tooLittle', have: 2.5, low: 12, high: 24 }, 'Isopods')).toContain('2.5 g/L')
    expect(stoneText({ key: 'unwanted', have: 1, low: 0, high: 0 }, 'Bee shrimp')).toContain('want none')
  })
  it('says which KH a pH asks for, where the group’s own is too little', () => {
    expect(plain(khForPhText(groupOf('land-crab').targets, units))).toMatch(
      /^KH at least 2\.\d °dH, so that pH 7\.5 to 8(\.0)? can hold\.$/,
    )
    expect(khForPhText(groupOf('neocaridina').targets, units)).toBe('')
    expect(khForPhText(groupOf('bee-shrimp').targets, units)).toBe('')
  })
})
