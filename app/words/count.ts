import type { CountEvidence } from '#core/abundance'
import type { HitRate } from '#core/counting'
import { num, percent, whole } from './numbers'
import { countNoteText } from './population'

/** "Speaks for about 120, likely 95 to 150." with what is to be said of how it was reckoned. */
export function evidenceText(e: CountEvidence): string {
  const notes = e.notes.map(n => countNoteText[n]).join('; ')
  return (
    `Speaks for about ${num(whole(e.value))}, likely ` +
    `${num(`${whole(e.low)} to ${whole(e.high)}`)}.${notes ? ` ${notes.replace(/^./, c => c.toUpperCase())}.` : ''}`
  )
}

/** "You find 84 % of them, likely 78 to 90 %, from 6 pictures." */
export function hitRateText(h: HitRate): string {
  const wide = Math.exp(1.2816 * h.sdLog)
  return (
    `You find about ${num(percent(h.share))} of them, likely ` +
    `${num(`${percent(h.share / wide)} to ${percent(Math.min(1, h.share * wide))}`)}, from ` +
    `${h.pictures === 1 ? 'one picture' : `${num(h.pictures)} pictures`}.`
  )
}

/** How each sheet reckons, with its source. */
export const countWhy: Readonly<Record<'photo' | 'repeated' | 'partOfTank' | 'passes' | 'marks', string>> = {
  photo:
    'Mean of the frames, divided by the share that is found and by the share of the tank in the picture. The ' +
    'share found is your own from the practice tank where you have one (beta-binomial, like densities counting ' +
    'most), else the group’s (from memory). What one part of a tank holds more than another is doubted with a ' +
    'quarter (from memory).',
  repeated:
    'Each count finds a binomial part of the same animals: many found each time scatter little. Number and share ' +
    'are reckoned together, with what is known of the share beforehand (Carroll & Lombard 1985); the warning is ' +
    'the moment test of Royle (2004).',
  partOfTank:
    'Mean of the samples times how many of them the tank holds, with Student’s t and the correction for a finite ' +
    'tank (Cochran 1977).',
  passes:
    'If each pass catches the same share of those that are left, the fall of the catches tells the number: Carle ' +
    '& Strub (1978) for the number, the profile of Zippin’s likelihood (1956) for its range. Where the passes ' +
    'took differently long, Leslie’s line (1939) with Ricker’s half step.',
  marks:
    'One look for marks: Chapman’s estimate (1951) with the exact hypergeometric range. More of them: Schnabel’s ' +
    'estimate (1938) with one more recapture in the denominator (Chapman 1952), range from the Poisson interval ' +
    'of the recaptures (Garwood 1936).',
}

export const stageMarkWord = { grown: 'Grown', halfGrown: 'Half-grown', young: 'Young' } as const
export type MarkStage = keyof typeof stageMarkWord
