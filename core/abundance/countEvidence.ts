import type { Detection, SpeciesGroup } from '#core/groups'
import type { EntryOf } from '#core/records'
import { Z80 } from '#core/stats'
import { depletion } from './depletion'
import { FEW, type LookAt, lookRange } from './look'
import { markRecapture } from './markRecapture'
import { quadrats } from './quadrats'
import { removalPasses } from './removalPasses'
import { repeatedCounts } from './repeatedCounts'
import { schnabel } from './schnabel'

export type CountNote =
  'passesDoNotFall' | 'marksAreShed' | 'fewRecaptures' | 'scatterTellsLittle' | 'ownHitRate' | 'heaps'

/**
 * What a count says of the number of animals that can be counted: a normal likelihood on the log scale with mean y and
 * variance r, and the same as a number with its 80 % range.
 */
export interface CountEvidence {
  y: number
  r: number
  value: number
  low: number
  high: number
  /** share of those there that this count is taken to have found */
  share: number
  notes: CountNote[]
  /** what was seen at one look of a part, as it is: exact where the normal curve is not, with few or none seen */
  look?: LookAt
}

/**
 * Ways of counting that go by a share that differs from glass to glass, so that the colony's own share can be learnt.
 */
export const byEye = ['allSeen', 'atFood', 'photo', 'repeated'] as const

/** Half the drop of the log-likelihood for one standard deviation: the profile's width is read as a spread. */
const ONE_SD = 0.5
/**
 * How much the numbers of one part and of the next differ, beside chance, where only one part was looked at (from
 * memory).
 */
const PATCHY = 0.25

type Count = Pick<EntryOf<'count'>, 'number' | 'method' | 'share' | 'series' | 'efforts' | 'marks' | 'hitRate'>

/**
 * Reads a count by its way of counting.
 * @param count a count entry
 * @param counting the group's shares
 * @param sheds whether the animals molt, and so lose marks
 * @throws RangeError for a negative number
 */
export function countEvidence(count: Count, counting: SpeciesGroup['counting'], sheds: boolean): CountEvidence {
  const { number, method } = count
  if (!(number >= 0)) throw new RangeError(`number must be 0 or more, got ${number}`)
  if (method === 'passes' && count.series)
    return count.efforts ? ofEfforts(count.series, count.efforts) : ofPasses(count.series)
  if (method === 'marks' && count.marks) return ofMarks(count.marks, sheds)
  if (method === 'repeated' && count.series) return ofRepeats(count.series, counting.allSeen)
  if (method === 'photo') return ofPhoto(count, counting.allSeen)
  if (method === 'partOfTank' && count.series && count.series.length > 1)
    return ofSamples(count.series, count.share ?? 1, counting.partOfTank)
  const { share, sdLog } =
    method === 'partOfTank' || method === 'estimate' || method === 'atFood' || method === 'burrows'
      ? (counting[method] ?? counting.allSeen)
      : counting.allSeen
  if (method === 'estimate') return one(number, share, sdLog)
  return looked({ seen: number, share: method === 'partOfTank' ? share * (count.share ?? 1) : share, sdLog })
}

/** One look: few or none are read exactly. */
function looked(look: LookAt): CountEvidence {
  const near = one(look.seen, look.share, look.sdLog)
  if (look.seen > FEW) return { ...near, look }
  const { value, low, high } = lookRange(look, 0.8)
  return { ...near, value: look.seen === 0 ? value : near.value, low, high, look }
}

/**
 * One count: a binomial part of those there, times a spread of the share from count to count. r = sdLog² + (1 −
 * share)/seen; the second term is the delta-method variance of the logarithm of a binomial count.
 */
function one(seen: number, share: number, sdLog: number, notes: CountNote[] = []): CountEvidence {
  // none seen still speaks: half an animal stands for it, with a spread of a factor e
  const animals = Math.max(seen, 0.5)
  return evidence(
    Math.log(animals / share),
    sdLog * sdLog + (1 - Math.min(share, 1)) / animals + (seen === 0 ? 1 : 0),
    share,
    notes,
  )
}

function evidence(y: number, r: number, share: number, notes: CountNote[]): CountEvidence {
  const sd = Math.sqrt(r)
  return { y, r, value: Math.exp(y), low: Math.exp(y - Z80 * sd), high: Math.exp(y + Z80 * sd), share, notes }
}

function ofPasses(catches: readonly number[]): CountEvidence {
  const e = removalPasses(catches, ONE_SD)
  const number = Math.max(e.carleStrub, 0.5)
  const upper = e.interval[1] ?? number * 4
  const sd = Math.max(
    0.02,
    e.carleStrubStandardError / number,
    Math.log(Math.max(upper, number) / number) * (e.zippin === null ? 1 : 0.8),
  )
  return evidence(Math.log(number), sd * sd, e.caught / number, e.zippin === null ? ['passesDoNotFall'] : [])
}

/**
 * Passes of differing length: Leslie's line with Ricker's half step; two passes give a line without a scatter, which is
 * doubted as much as one that does not fall.
 */
function ofEfforts(catches: readonly number[], efforts: readonly number[]): CountEvidence {
  const caught = catches.reduce((a, b) => a + b, 0)
  const line = depletion(catches, efforts, 'leslie')
  if (!line) return ofPasses(catches)
  const number = Math.max(line.number, caught, 0.5)
  const sd = line.standardError === null ? 0.5 : Math.max(0.05, line.standardError / number)
  return evidence(Math.log(number), sd * sd, caught / number, [])
}

function ofMarks(marks: readonly { caught: number; recaptured: number }[], sheds: boolean): CountEvidence {
  const e = schnabel(marks, 0.68)
  // one marking and one look for marks: Chapman's number with the exact interval of the hypergeometric
  const [first, second] = marks
  const once =
    marks.length === 2
      ? markRecapture({ marked: first!.caught, caught: second!.caught, recaptured: second!.recaptured }, 0.68)
      : null
  const number = Math.max(once ? once.chapman : e.schnabelPlus1, 0.5)
  const [low, high] = once ? once.exact : e.interval
  const sd = Math.max(0.05, high === null ? 1 : Math.log(high / Math.max(low, 0.5)) / 2)
  const notes: CountNote[] = []
  if (sheds) notes.push('marksAreShed')
  if (e.recaptured < 7) notes.push('fewRecaptures')
  // a shed mark looks like a new animal: the number is then too high by nobody knows how much
  return evidence(
    Math.log(number),
    sd * sd + (sheds ? 0.25 : 0),
    Math.min(1, marks.reduce((s, m) => s + m.caught - m.recaptured, 0) / number),
    notes,
  )
}

function ofRepeats(counts: readonly number[], d: Detection): CountEvidence {
  // the same spread as of one count, but the day's share is now told by the scatter as well
  const e = repeatedCounts(counts, { mean: d.share, sd: Math.max(0.02, Math.min(0.3, d.share * d.sdLog)) }, 0.8)
  const mean = Math.max(e.mean, 0.5)
  return evidence(Math.log(mean), Math.max(0.01, e.sd / mean) ** 2, e.share, e.weak ? ['scatterTellsLittle'] : [])
}

function ofPhoto(count: Count, d: Detection): CountEvidence {
  const frames = count.series && count.series.length > 0 ? count.series : [count.number]
  const mean = frames.reduce((a, b) => a + b, 0) / frames.length
  const part = count.share ?? 1
  const hit = count.hitRate ?? d
  const spread =
    frames.length > 1 && mean > 0
      ? frames.reduce((s, f) => s + (f - mean) ** 2, 0) / (frames.length - 1) / frames.length / (mean * mean)
      : 0
  const patchy = (PATCHY * PATCHY * (1 - part)) / frames.length
  const e = one(mean, hit.share * part, hit.sdLog, count.hitRate ? ['ownHitRate'] : [])
  return evidence(e.y, e.r + spread + patchy, e.share, e.notes)
}

function ofSamples(counts: readonly number[], share: number, d: Detection): CountEvidence {
  const q = quadrats(counts, Math.min(share, 1 / counts.length), 0.8)
  const number = Math.max(q.number * d.share ** -1, 0.5)
  const heaps = q.clumping > 2.5
  const sd2 = (q.standardError / number) ** 2 + (d.sdLog * d.sdLog) / (2 * counts.length)
  return evidence(Math.log(number), Math.max(0.01, sd2), d.share * share * counts.length, heaps ? ['heaps'] : [])
}
