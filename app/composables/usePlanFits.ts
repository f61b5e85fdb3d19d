import type { GroupFit } from '#core/care'
import { groupOf, groups, resolveGroup, type SpeciesGroup } from '#core/groups'
import { ghOf, khOf } from '#core/water'
import { verdictOfLevels } from '~/components/drawing/verdictOfLevels'
import type { GlossaryId } from '~/words/glossary'
import { bestText, fitText, glanceText, notQuite } from '~/words/planFit'
import type { PlanStartDesk } from './usePlanStart'

/** Strips that all groups share, with the same span, so that the eye can go down them. */
const STRIPS = [
  { key: 'ghDh', name: 'GH', span: [0, 24] },
  { key: 'khDh', name: 'KH', span: [0, 16] },
  { key: 'temperatureC', name: '°C', span: [10, 32] },
] as const

/** The groups on the page where a plan begins, the best fitting first. */
export function usePlanFits(desk: PlanStartDesk) {
  const settings = useSettingsStore()
  const levels = computed(() => {
    const { tap, roomC } = desk.read
    return {
      ghDh: tap ? [ghOf(tap.water)] : [],
      khDh: tap ? [khOf(tap.water)] : [],
      temperatureC: roomC ? [roomC.winter, roomC.summer] : [],
    }
  })
  function stripsOf(group: SpeciesGroup) {
    const { targets } = resolveGroup({ groupId: group.id, schools: {}, targets: {}, life: {} })
    return STRIPS.flatMap(strip => {
      const target = targets[strip.key]
      return target ? [{ ...strip, verdict: verdictOfLevels(strip.key, target, levels.value[strip.key]) }] : []
    })
  }
  const textsOf = (fit: GroupFit, group: SpeciesGroup) => ({
    text: fitText(fit, settings.units),
    but: notQuite(fit, group, settings.units),
  })
  /** Until a tank is typed they stand as they are offered everywhere; the keeper's own come last. */
  const rows = computed(() => {
    const fits = new Map(desk.fits.map(f => [f.groupId, f]))
    const inOrder = fits.size > 0 ? [...fits.keys()] : groups.map(g => g.id).filter(id => id !== 'custom')
    return [...inOrder, 'custom'].map(id => {
      const group = groupOf(id)
      const fit = fits.get(id)
      const texts = fit && textsOf(fit, group)
      return { group, about: glanceText(group), words: wordsOf(group), strips: stripsOf(group), ...texts }
    })
  })
  const headline = computed(() => bestText(desk.fits[0], !!desk.home?.tap, settings.units))
  return { rows, headline }
}

const signWord = { berried: 'berried', eggMass: 'mass', clutch: 'clutch' } as const
/** What of a group's words needs explaining to somebody without animals. */
const wordsOf = ({ care, company, setup, life }: SpeciesGroup): GlossaryId[] => [
  ...(company.larvaeNeedSea ? (['amphidromous'] as const) : []),
  ...(care.brood && life.breedsInPlace ? [signWord[care.brood.sign]] : []),
  ...(setup.substrate.kind === 'earth' ? (['paludarium'] as const) : []),
]
