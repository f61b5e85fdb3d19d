import type { CountEvidence } from '#core/abundance'
import type { HitRate } from '#core/counting'
import { num, percent, whole } from './numbers'
import { countNoteText } from './population'

/** "Speaks for about 120, likely 95 to 150." with what is to be said of how it was reckoned. */
export function evidenceText(e: CountEvidence): string {
  const notes = e.notes.map(n => countNoteText[n]).join('; ')
  return `Speaks for about ${num(whole(e.value))}, likely ${num(`${whole(e.low)} to ${whole(e.high)}`)}.${notes ? ` ${notes.replace(/^./, c => c.toUpperCase())}.` : ''}`
}

/** "You find 84 % of them, likely 78 to 90 %, from 6 pictures." */
export function hitRateText(h: HitRate): string {
  const wide = Math.exp(1.2816 * h.sdLog)
  return `You find about ${num(percent(h.share))} of them, likely ${num(`${percent(h.share / wide)} to ${percent(Math.min(1, h.share * wide))}`)}, from ${h.pictures === 1 ? 'one picture' : `${num(h.pictures)} pictures`}.`
}

export const stageMarkWord = { grown: 'Grown', halfGrown: 'Half-grown', young: 'Young' } as const
export type MarkStage = keyof typeof stageMarkWord
