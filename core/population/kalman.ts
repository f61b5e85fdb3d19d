/**
 * A Kalman filter and Rauch–Tung–Striebel smoother for two states, written out: a level and its growth.
 * The level does not feed back into the growth (f10 = 0), and only the level is observed.
 * Source: Harvey (1989), Forecasting, Structural Time Series Models and the Kalman Filter, ch. 3; Rauch, Tung & Striebel (1965).
 * Two by two, by hand: a matrix library costs ten times the arithmetic here, and the room refits sixty colonies at once.
 */

/** Mean (m0 level, m1 growth) and covariance of the state. */
export interface State { m0: number, m1: number, p00: number, p01: number, p11: number }

/** x' = F x + b + w, w ~ N(0, Q), with F = [[f00, f01], [0, f11]]. */
export interface Transition { f00: number, f01: number, f11: number, b0: number, b1: number, q00: number, q11: number }

/** Prediction of the next state. */
export function predict(s: State, t: Transition): State {
  const { f00, f01, f11 } = t
  return {
    m0: f00 * s.m0 + f01 * s.m1 + t.b0,
    m1: f11 * s.m1 + t.b1,
    p00: f00 * f00 * s.p00 + 2 * f00 * f01 * s.p01 + f01 * f01 * s.p11 + t.q00,
    p01: f11 * (f00 * s.p01 + f01 * s.p11),
    p11: f11 * f11 * s.p11 + t.q11,
  }
}

/** State after seeing y = level + v, v ~ N(0, r), with the log-likelihood of y. */
export function update(s: State, y: number, r: number): { state: State, innovation: number, innovationVar: number, logLik: number } {
  const innovation = y - s.m0
  const innovationVar = s.p00 + r
  const k0 = s.p00 / innovationVar
  const k1 = s.p01 / innovationVar
  return {
    state: {
      m0: s.m0 + k0 * innovation,
      m1: s.m1 + k1 * innovation,
      // (1 − k0)·p00 written as r·k0: the subtraction loses digits when the observation is nearly exact
      p00: r * k0,
      p01: r * k1,
      p11: s.p11 - k1 * s.p01,
    },
    innovation,
    innovationVar,
    logLik: -0.5 * (Math.log(2 * Math.PI * innovationVar) + innovation * innovation / innovationVar),
  }
}

/**
 * One backward step of the smoother.
 * @param filtered state at t given data up to t
 * @param predicted state at t + 1 given data up to t
 * @param next smoothed state at t + 1
 * @param t transition from t to t + 1
 */
export function smooth(filtered: State, predicted: State, next: State, t: Transition): State {
  const { f00, f01, f11 } = t
  // A = P F', the covariance of the state now with the state next
  const a00 = filtered.p00 * f00 + filtered.p01 * f01
  const a01 = filtered.p01 * f11
  const a10 = filtered.p01 * f00 + filtered.p11 * f01
  const a11 = filtered.p11 * f11
  const det = predicted.p00 * predicted.p11 - predicted.p01 * predicted.p01
  let c00: number, c01: number, c10: number, c11: number
  if (det > 1e-14 * predicted.p00 * predicted.p11) {
    c00 = (a00 * predicted.p11 - a01 * predicted.p01) / det
    c01 = (a01 * predicted.p00 - a00 * predicted.p01) / det
    c10 = (a10 * predicted.p11 - a11 * predicted.p01) / det
    c11 = (a11 * predicted.p00 - a10 * predicted.p01) / det
  }
  else {
    // level and growth move as one (or the growth is fixed): what the level tells is all there is
    const inverse = predicted.p00 > 0 ? 1 / predicted.p00 : 0
    c00 = a00 * inverse
    c10 = a10 * inverse
    c01 = 0
    c11 = 0
  }
  const d0 = next.m0 - predicted.m0
  const d1 = next.m1 - predicted.m1
  const e00 = next.p00 - predicted.p00
  const e01 = next.p01 - predicted.p01
  const e11 = next.p11 - predicted.p11
  return {
    m0: filtered.m0 + c00 * d0 + c01 * d1,
    m1: filtered.m1 + c10 * d0 + c11 * d1,
    p00: filtered.p00 + c00 * (c00 * e00 + c01 * e01) + c01 * (c00 * e01 + c01 * e11),
    p01: filtered.p01 + c00 * (c10 * e00 + c11 * e01) + c01 * (c10 * e01 + c11 * e11),
    p11: filtered.p11 + c10 * (c10 * e00 + c11 * e01) + c11 * (c10 * e01 + c11 * e11),
  }
}
