// How shares and leanings are written in the tables of the calibrations.
export const per = share => (Number.isFinite(share) ? `${Math.round(100 * share)} %` : '–')
export const signed = x => `${x >= 0 ? '+' : '−'}${Math.round(100 * Math.abs(Math.expm1(x)))} %`
