import { it } from 'vitest'
import { groups, resolveGroup } from '#core/groups'
import { stageRates, stepCloud, ROWS, FEMALES, MALES, settledMakeUp, counted } from '#core/population'
import { colony, nextId } from '../make'
it('x', () => {
  for (const g of groups) {
    for (const [k, os] of Object.entries(g.schools)) for (const o of os!) {
      if (!o.growthPerWeek && k!=='fish') continue
      const r = resolveGroup(colony(nextId(), { groupId: g.id, schools: { [k]: o.id } }))
      const s = stageRates(r, { temperatureC: (r.targets.temperatureC!.preferred[0]+r.targets.temperatureC!.preferred[1])/2, capacity: 300 })
      console.log(g.id, o.id, r.growthPerWeek.value, s.growth.toFixed(3), 'e0', s.comeUp.toFixed(4), 'holds', Math.exp(s.holds).toFixed(3), s.growthByRecruits.toFixed(3), s.growthByLosses.toFixed(3))
    }
    const r = resolveGroup(colony(nextId(), { groupId: g.id }))
    const t0 = performance.now()
    const s = stageRates(r, { temperatureC: (r.targets.temperatureC!.preferred[0]+r.targets.temperatureC!.preferred[1])/2, capacity: 300 })
    const ms = performance.now() - t0
    console.log(g.id, r.growthPerWeek.value, s.growth.toFixed(3), 'e0', s.comeUp.toFixed(4), 'holds', Math.exp(s.holds).toFixed(3), s.growthByRecruits.toFixed(3), s.growthByLosses.toFixed(3), [...settledMakeUp(s).stages].map(x => x.toFixed(3)).join(' '), ms.toFixed(1))
    const P = 1000
    const c = new Float64Array(ROWS * P)
    for (let i = 0; i < P; i++) { c[FEMALES*P+i] = 10; c[MALES*P+i] = s.needsMale ? 5 : 0 }
    for (let k = 0; k < 5; k++) stepCloud(c, P, s, k)
    const t = performance.now()
    for (let k = 0; k < 52; k++) stepCloud(c, P, s, 100 + k)
    const el = performance.now() - t
    const n = Array.from({ length: P }, (_, i) => counted(c, P, i)).sort((a, b) => a - b)
    console.log('   µs/step', (el * 1000 / P / 52).toFixed(2), 'N after 57', n[100], n[500], n[900])
  }
})
