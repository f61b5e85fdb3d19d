import { calibrate, summariseCases } from './calibration/calibrate'
const per = Number(process.env.PER ?? 20), seed = Number(process.env.SEED ?? 1000)
const t = performance.now()
const rs = calibrate(per, seed)
const ms = performance.now() - t
const show = (l: string, c: ReturnType<typeof summariseCases>) => console.log(l.padEnd(16), c.n, 'now', (100*c.now.in80).toFixed(0), (100*c.now.in50).toFixed(0), '8w', (100*c.in8.in80).toFixed(0), (100*c.in8.in50).toFixed(0), 'err now', Object.values(c.error.now).map(x => x.toFixed(3)).join(' '), '8w', Object.values(c.error.in8).map(x => x.toFixed(3)).join(' '))
for (const g of new Set(rs.map(r => r.groupId))) show(g, summariseCases(rs.filter(r => r.groupId === g)))
show('all', summariseCases(rs)); console.log((ms / rs.length).toFixed(0), 'ms per case')
const bias = (at: 'now'|'in8') => rs.map(r => Math.log(Math.max(r[at].p50,.5)/Math.max(r.truth[at],.5))).sort((a,b)=>a-b)[rs.length>>1]
console.log('median log bias', bias('now')!.toFixed(3), bias('in8')!.toFixed(3))
for (const r of rs.slice(0, 0)) console.log(r.groupId, r.truth.now, r.now.p10, r.now.p50, r.now.p90, '|', r.truth.in8, r.in8.p10, r.in8.p50, r.in8.p90, r.counts)
