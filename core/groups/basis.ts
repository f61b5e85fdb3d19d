import type { Basis } from '#core/records'
import type { Detection, Figure, Stages, Target } from './group'

/** Common practice of the trade, no published source. */
export const CP: Basis = { kind: 'commonPractice' }
/** From memory: shown as a default that the keeper can change. */
export const M: Basis = { kind: 'memory' }

/** A figure with its basis. */
export const figure = (value: number, basis: Basis): Figure => ({ value, basis })

/** A figure with a standard deviation and its basis. */
export const prior = (value: number, sd: number, basis: Basis) => ({ value, sd, basis })

type Limits = [number, number]

/** A target with one range only, or with a preferred and a tolerated one. */
export function target(basis: Basis, preferred: Limits, tolerated?: Limits, aim?: number): Target {
  return { preferred, ...(tolerated && { tolerated }), ...(aim !== undefined && { aim }), basis }
}

const seen = (share: number, sdLog: number): Detection => ({ share, sdLog, basis: M })

/**
 * Shares of the animals that ways of counting find. The trade gives words ("a few hundred, perhaps a thousand"), not
 * figures, so all of these are from memory until the keeper's own hit rate is measured.
 * partOfTank and estimate are unbiased but rough.
 */
export const counting = {
  /** small animals in moss and leaves */
  hiding: { allSeen: seen(0.88, 0.12), atFood: seen(0.6, 0.3), partOfTank: seen(1, 0.35), estimate: seen(1, 0.5) },
  /** snails on glass and leaves */
  sitting: { allSeen: seen(0.92, 0.1), atFood: seen(0.5, 0.35), partOfTank: seen(1, 0.3), estimate: seen(1, 0.5) },
  /** few large animals, known one by one */
  single: { allSeen: seen(0.98, 0.04), atFood: seen(0.75, 0.2), partOfTank: seen(1, 0.4), estimate: seen(1, 0.35) },
}

/** A range with its basis. */
export const ranged = (low: number, high: number, basis: Basis) => ({ range: [low, high] as [number, number], basis })

/** Values that no group tolerates, and nitrate where a group says nothing less. */
export const poisons = {
  ammoniaMgL: target(CP, [0, 0]),
  nitriteMgL: target(CP, [0, 0]),
  copperMgL: target(CP, [0, 0]),
}
export const nitrate20 = target(CP, [0, 20])

/**
 * Largest steps per week. The rule behind them is common practice ("stable beats perfect", no jump in values); the
 * figures are from memory.
 */
export const steps = {
  ghDh: figure(1, M),
  khDh: figure(0.8, M),
  ph: figure(0.3, M),
  conductivityUsCm: figure(40, M),
  temperatureC: figure(2, CP),
  salinityGKg: figure(2, M),
}

type Plain = { [K in Exclude<keyof Stages, 'stepDays' | 'eggs' | 'first'>]: number }
/**
 * A life in stages. All figures are from memory where `published` does not name another basis; the order of size is
 * what keepers tell, and the growth per week that is solved for takes up what is wrong with them.
 */
export const stages = (
  kind: Pick<Stages, 'stepDays' | 'eggs' | 'first'>,
  figures: Plain,
  published: Partial<Record<keyof Plain, Basis>> = {},
): Stages => {
  const of = (key: keyof Plain) => figure(figures[key], published[key] ?? M)
  return {
    ...kind,
    eggWeeks: of('eggWeeks'),
    firstWeeks: of('firstWeeks'),
    youngWeeks: of('youngWeeks'),
    adultWeeks: of('adultWeeks'),
    youngLoss: of('youngLoss'),
    broodSize: of('broodSize'),
    restWeeks: of('restWeeks'),
    femaleShare: of('femaleShare'),
    q10: of('q10'),
  }
}
