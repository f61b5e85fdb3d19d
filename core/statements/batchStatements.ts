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
  const { alive, arrive, toCome, molts, samples, lives, out } = b
  // all that came were taken out, or died: nothing is waited for
  const done = noneLeft(alive) && nowMs > (arrive.half?.value ?? Infinity)
  const range = { value: alive.value, low: alive.low, high: alive.high }
  const settled = settledOf(b)
  const coming = { low: toCome.low, high: toCome.high, value: toCome.value }
  const last = samples.at(-1)
  const old = !last || nowMs - last.at > SAMPLE_DAYS * DAY_MS
  const number: Statement = done
    ? over(alive)
    : said(old ? 'drifting' : 'onTarget', 'number.larvae', range, {
        reasons: [
          ...(molts ? [msg('number.reasonMolt', { low: molts.done.low, high: molts.done.high, of: molts.of })] : []),
          last
            ? msg('number.reasonSamples', { n: samples.length, days: (nowMs - last.at) / DAY_MS })
            : msg('number.reasonNoSample', { low: b.hatched.low, high: b.hatched.high }),
        ],
        actions: old ? [msg('number.doSample', {})] : [],
        evidence: evidenceOf(b),
      })
  const survive = msg('heading.reasonLives', { low: lives.low, high: lives.high })
  const heading =
    done || !arrive.first
      ? said(done ? 'onTarget' : 'drifting', done ? 'heading.settledAll' : 'heading.settleNone', { out: out.number })
      : nowMs < arrive.first.value && out.number === 0
        ? said(
            'onTarget',
            'heading.settleFrom',
            { from: arrive.first.value, low: arrive.first.low, high: arrive.first.high },
            {
              reasons: [msg('heading.reasonToCome', coming), survive],
            },
          )
        : said('onTarget', 'heading.settling', { ...coming, out: out.number }, { reasons: [survive] })
  const ready = Math.round(settled.value)
  const surplus =
    ready > 0 && !done
      ? said('onTarget', 'surplus.pick', { value: settled.value, low: settled.low, high: settled.high })
      : done
        ? said('unknown', 'surplus.ofBatch', {})
        : said('unknown', 'surplus.pickFrom', { from: arrive.first?.value ?? nowMs })
  return { number, heading, surplus }
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
