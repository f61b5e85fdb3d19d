import { type BatchTold, SAMPLE_DAYS } from '#core/batches'
import { DAY_MS, type Evidence, type VerdictState } from '#core/records'
import { noneLeft } from './numberStatement'
import { msg, type Statement, type StatementKey } from './statement'

/** From such a chance on it is said that nothing hatched. */
const MOST_LIKELY_NONE = 0.5

/** The three statements of a colony that is one hatch; the fourth, of its water, is that of every colony. */
export interface BatchStatements {
  number: Statement
  heading: Statement
  surplus: Statement
}

/** What is said of larvae in a tub, or of a pool. */
export const batchStatements = (b: BatchTold, nowMs: number): BatchStatements =>
  b.kind === 'larvae' ? ofLarvae(b, nowMs) : ofPool(b, nowMs)

const settledOf = (b: BatchTold) => b.stages.at(-1)!.now

function said(
  state: VerdictState,
  key: StatementKey,
  values: Record<string, number>,
  more: Partial<Statement> = {},
): Statement {
  return { state, conclusion: msg(key, values), reasons: [], actions: [], evidence: [], ...more }
}

/** It is over, as far as anybody can tell: some may still hide. */
const over = ({ high }: BatchTold['alive']): Statement =>
  said(
    'onTarget',
    'number.over',
    {},
    {
      reasons: high >= 1 ? [msg('number.reasonHidden', { high })] : [],
      actions: [msg('number.endBatch', {})],
    },
  )

function ofLarvae(b: BatchTold, nowMs: number): BatchStatements {
  // all that came were taken out, or died: nothing is waited for
  const done = noneLeft(b.alive) && nowMs > (b.arrive.half?.value ?? Infinity)
  if (done)
    return {
      number: over(b.alive),
      heading: said('onTarget', 'heading.settledAll', { out: b.out.number }),
      surplus: said('unknown', 'surplus.ofBatch', {}),
    }
  return { number: larvaeNumber(b, nowMs), heading: larvaeHeading(b, nowMs), surplus: larvaePicks(b, nowMs) }
}

function larvaeNumber(b: BatchTold, nowMs: number): Statement {
  const { alive, molts, samples, hatched } = b
  if (noneLeft(alive)) return said('drifting', 'number.none', { ...alive })
  const last = samples.at(-1)
  const old = !last || nowMs - last.at > SAMPLE_DAYS * DAY_MS
  return said(
    old ? 'drifting' : 'onTarget',
    'number.larvae',
    { ...alive },
    {
      reasons: [
        ...(molts ? [msg('number.reasonMolt', { low: molts.done.low, high: molts.done.high, of: molts.of })] : []),
        last
          ? msg('number.reasonSamples', { n: samples.length, days: (nowMs - last.at) / DAY_MS })
          : msg('number.reasonNoSample', { low: hatched.low, high: hatched.high }),
      ],
      actions: old ? [msg('number.doSample', {})] : [],
      evidence: evidenceOf(b),
    },
  )
}

function larvaeHeading({ arrive, toCome, lives, out }: BatchTold, nowMs: number): Statement {
  const { first } = arrive
  if (!first) return said('drifting', 'heading.settleNone', {})
  const survive = msg('heading.reasonLives', { low: lives.low, high: lives.high })
  if (nowMs >= first.value || out.number > 0)
    return said('onTarget', 'heading.settling', { ...toCome, out: out.number }, { reasons: [survive] })
  const { value, low, high } = first
  const reasons = [msg('heading.reasonToCome', { ...toCome }), survive]
  return said('onTarget', 'heading.settleFrom', { from: value, low, high }, { reasons })
}

function larvaePicks(b: BatchTold, nowMs: number): Statement {
  const settled = settledOf(b)
  if (Math.round(settled.value) > 0) return said('onTarget', 'surplus.pick', { ...settled })
  const { first } = b.arrive
  if (!first) return said('unknown', 'surplus.ofBatch', {})
  return said('unknown', 'surplus.pickFrom', { from: Math.max(nowMs, first.value) })
}

function ofPool(b: BatchTold, nowMs: number): BatchStatements {
  const { alive, arrive, hatch, none, eggs, beganMs, totals } = b
  const last = totals.at(-1)
  const surplus = said('unknown', 'surplus.ofBatch', {})
  const days = (nowMs - beganMs) / DAY_MS
  if (none > MOST_LIKELY_NONE)
    return {
      number: said('drifting', 'number.poolNone', { none, days }, { actions: [msg('number.dryAgain', {})] }),
      heading: said('unknown', 'heading.poolNone', {}),
      surplus,
    }
  const seen = b.alive.low >= 1 && hatch.high < nowMs
  if (!seen && nowMs < hatch.high + DAY_MS)
    return {
      number: said('unknown', 'number.poolWaiting', { days, from: hatch.low, to: hatch.high }),
      heading: said('onTarget', 'heading.poolHatch', { from: hatch.low, to: hatch.high }),
      surplus,
    }
  const grown = arrive.half
  const laid = eggs ? [msg('heading.reasonEggs', { ...eggs.now }), msg('heading.reasonEggsEnd', { ...eggs.end })] : []
  if (noneLeft(alive))
    return {
      number: over(alive),
      heading: said('onTarget', 'heading.poolOver', {}, { reasons: laid.slice(0, 1) }),
      surplus,
    }
  return {
    number: said(
      'onTarget',
      'number.about',
      { ...alive },
      {
        reasons: [
          last
            ? msg('number.reasonLooks', { n: totals.length, days: (nowMs - last.at) / DAY_MS })
            : msg('number.reasonNoSample', { low: b.hatched.low, high: b.hatched.high }),
        ],
        evidence: evidenceOf(b),
      },
    ),
    heading:
      grown && nowMs < grown.value
        ? said('onTarget', 'heading.poolGrown', { low: grown.low, high: grown.high }, { reasons: laid.slice(1) })
        : said('onTarget', 'heading.poolLays', { ...eggs!.now }, { reasons: laid.slice(1) }),
    surplus,
  }
}

/** The last looks, the newest first. */
const evidenceOf = ({ samples, totals }: BatchTold): Evidence[] =>
  [
    ...samples.map(s => ({ ...s, n: s.numbers.reduce((x, y) => x + y, 0), litres: s.litres ?? 0 })),
    ...totals.map(t => ({ ...t, n: t.number, litres: 0 })),
  ]
    .toSorted((a, b) => b.at - a.at)
    .slice(0, 8)
    .map(({ at, entryId, n, litres }) => ({ key: 'evidence.sample', entryId, values: { at, n, litres } }))
