import { HERITABILITY_PRIOR, type LineTold } from '#core/lines'
import { percent, plain, whole } from './numbers'
import { heritabilityText, keeperText, limitText, shareRange } from './lines'
import { basisText } from './states'
import { shortName } from './lineGenerations'
import { dayText } from './when'
import type { Why } from './why'

const memory = basisText({ kind: 'memory' })
const range = ({ low, high }: { low: number; high: number }) => `${low.toFixed(2)} to ${high.toFixed(2)}`

const ROLLING =
  'They breed all the time: at each grading some are young of those that were there when they were laid, and the ' +
  'others are those that were left; what was chosen of these is still seen on them beside their genes. How many are ' +
  'new follows from the population model and the usual life. What comes in a generation comes in the parents’ mean ' +
  'age (Rendel & Robertson 1950).'

/** What stands behind where a line goes, and what of it comes through. */
export function whyLine(told: LineTold, nowMs: number): Why {
  const first = told.keepers[0]
  const mean = HERITABILITY_PRIOR.alpha / (HERITABILITY_PRIOR.alpha + HERITABILITY_PRIOR.beta)
  return {
    title: 'Where the line goes, and why',
    reasons: [plain(heritabilityText(told)), ...told.keepers.map(k => keeperText(k, first?.name ?? ''))],
    inputs: told.generations.flatMap(g =>
      g.gradings.map(e => ({
        text: `${dayText(Date.parse(e.at), nowMs)}: no. ${g.n} graded by ${e.keeper ?? 'somebody'}`,
        entryId: e.id,
      })),
    ),
    method: [
      'What makes the grade is taken to be normal and not seen; a grade says between which borders it lies ' +
        '(threshold model; Wright 1934). Borders, keepers’ eyes, each generation’s good or bad year, and who exactly ' +
        'bred are all unknowns of one fit.',
      'What was selected is the mean of those that bred, by their rungs and sexes, against all of their generation; ' +
        'what came of it is the next generation. Heritability is the part that came through, that of the founders ' +
        'without the keepers’ error.',
      ...(told.rolling ? [ROLLING] : []),
      'Few breeders drift by chance (Hill 1972): the range holds that. A spare glass in which nobody chooses tells a ' +
        'good year from a gain. Gradings at another age or size, with other food or warmth than usual, are put to ' +
        'the usual.',
    ],
    formula: told.rolling
      ? 'response a week = heritability × selection of a generation ÷ the parents’ mean age'
      : 'response = heritability × (mean of the breeders − mean of all), on the scale behind the grades',
    figures: [
      {
        name: 'Heritability, 80 % range',
        value: range(told.heritability),
        basis: 'from your gradings and the next figure',
      },
      { name: 'Thought before anything was selected', value: `about ${mean.toFixed(2)}`, basis: memory },
      { name: 'A good or a bad year moves all by', value: '0.15 standard deviations', basis: memory },
      {
        name: 'A keeper errs by, where nobody graded the same twice',
        value: '0.35 standard deviations',
        basis: memory,
      },
      { name: 'Twice the age or size adds', value: '0.2 standard deviations, or none to twice that', basis: memory },
      { name: 'Richer food adds', value: '0.1 standard deviations a step, or none to twice that', basis: memory },
      { name: 'A degree of warmth adds', value: '0.05 standard deviations either way', basis: memory },
    ],
    narrows: [
      'A second keeper who grades the same animals again: then errors are measured, not remembered.',
      'More graded in each generation, and harder selection for a generation or two.',
      ...(told.spare
        ? []
        : [
            'A spare glass of the same line, in which nobody chooses: name it under Ladder, and grade it now and then.',
          ]),
    ],
  }
}

/** What stands behind inbreeding. */
export function whyKinship(told: LineTold, nowMs: number): Why {
  const { inbreeding, variety } = told
  return {
    title: 'Inbreeding, and why',
    reasons: [
      inbreeding
        ? `About ${percent(inbreeding.value)} (${percent(inbreeding.low)} to ${percent(inbreeding.high)}) now.`
        : 'Nothing is known of who bred.',
      ...(told.generationsLeft === null ? [] : [`Your limit is ${limitText(told)}.`]),
    ],
    inputs: told.generations.map(g => {
      const untold = g.bred ? '' : ', who bred it on is not written down'
      return { text: `${shortName(g, told, nowMs)}: ${shareRange(g.inbreeding)}${untold}` }
    }),
    method: [
      'Two hundred pedigrees that may lie behind the numbers of breeders are drawn, and kinship is reckoned in each ' +
        'by the tabular method (Emik & Terrill 1949). The middle and the range are over these.',
      'Relatives are chosen together, because what they are chosen for runs in families (Wray & Thompson 1990): that ' +
        'is drawn too. Founders are taken to be unrelated.',
      'Who is followed and named among the breeders is the same one each time, with the parents that you wrote ' +
        'down.',
    ],
    formula:
      'effective size = 4 · males′ · females′ / (males′ + females′); a generation costs 1 / (2 · effective size)',
    figures: [
      ...(variety
        ? [
            {
              name: 'Breeders',
              value: `${whole(variety.females)} females, ${whole(variety.males)} males`,
              basis: 'yours',
            },
            { name: 'Effective size', value: whole(variety.effective), basis: 'from these and the next figures' },
          ]
        : []),
      { name: 'Unevenness of males', value: '0.7', basis: memory },
      { name: 'Unevenness of females', value: '0.3', basis: memory },
    ],
    narrows: [
      'Boxes with one male each, and which young came of which box.',
      'How many bred in each generation, where it is not written down.',
    ],
  }
}
