import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  countsIn,
  fitTrays,
  inTray,
  moveBetween,
  noTrays,
  restOf,
  sharedOut,
  standingsOf,
  standingTotal,
} from '#core/lines'
import { trayKinds } from '#core/records'

const stock = { 'a female': 6, 'a male': 4, 'b female': 3 }

describe('trays', () => {
  it('hold whoever is nowhere else', () => {
    expect(inTray(stock, noTrays, 'hold')).toEqual(stock)
    const one = moveBetween(stock, noTrays, { key: 'a female', from: 'hold', to: 'breed', number: 2 })
    expect(inTray(stock, one, 'hold')).toEqual({ ...stock, 'a female': 4 })
    expect(one.breed).toEqual({ 'a female': 2 })
  })
  it('move as many as there are at most, and back', () => {
    const all = moveBetween(stock, noTrays, { key: 'b female', from: 'hold', to: 'part', number: 9 })
    expect(all.part).toEqual({ 'b female': 3 })
    const over = moveBetween(stock, all, { key: 'b female', from: 'part', to: 'offer', number: 1 })
    expect([over.part['b female'], over.offer['b female']]).toEqual([2, 1])
    expect(
      inTray(stock, moveBetween(stock, over, { key: 'b female', from: 'offer', to: 'hold', number: 1 }), 'hold')[
        'b female'
      ],
    ).toBe(1)
    expect(moveBetween(stock, over, { key: 'b female', from: 'breed', to: 'hold', number: 1 })).toBe(over)
    expect(moveBetween(stock, over, { key: 'b female', from: 'part', to: 'part', number: 1 })).toBe(over)
  })
  it('leave the rest of a stock', () => {
    expect(restOf(stock, { 'a female': 2, 'b female': 9 })).toEqual({ 'a female': 4, 'a male': 4, 'b female': 0 })
  })
  it('always hold the stock, whatever is moved', () => {
    const move = fc.record({
      key: fc.constantFrom(...Object.keys(stock)),
      from: fc.constantFrom(...trayKinds),
      to: fc.constantFrom(...trayKinds),
      number: fc.integer({ min: -3, max: 12 }),
    })
    fc.assert(
      fc.property(fc.array(move), moves => {
        const trays = moves.reduce((now, m) => moveBetween(stock, now, m), noTrays)
        const all = trayKinds.reduce((sum, kind) => sum + standingTotal(inTray(stock, trays, kind)), 0)
        expect(all).toBe(13)
        for (const kind of trayKinds)
          for (const n of Object.values(inTray(stock, trays, kind))) expect(n).toBeGreaterThanOrEqual(0)
      }),
    )
  })
  it('of a draft fit into a stock that has shrunk', () => {
    const draft = { breed: { 'a female': 5 }, offer: { 'a female': 3, 'c male': 2 }, part: {} }
    const fitted = fitTrays(stock, draft)
    expect(fitted.breed).toEqual({ 'a female': 5 })
    expect(fitted.offer).toEqual({ 'a female': 1 })
  })
  it('go into a record and come back', () => {
    const counts = countsIn({ 'a female': 2, 'a male': 0 })
    expect(counts).toEqual([{ rungId: 'a', sex: 'female', number: 2 }])
    expect(standingsOf(counts)).toEqual({ 'a female': 2 })
  })
})

describe('shared out', () => {
  it('is whole, and goes by the shares', () => {
    expect(sharedOut(10, [1, 1, 2])).toEqual([3, 2, 5])
    expect(sharedOut(7, [0, 0, 4])).toEqual([0, 0, 7])
    expect(sharedOut(5, [0, 0])).toEqual([0, 0])
    expect(sharedOut(0, [1, 1])).toEqual([0, 0])
  })
  it('always adds up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500 }),
        fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1 }),
        (n, shares) => {
          const out = sharedOut(n, shares)
          const all = shares.reduce((a, b) => a + b, 0)
          expect(out.reduce((a, b) => a + b, 0)).toBe(all > 0 ? n : 0)
          for (const [k, o] of out.entries())
            expect(Math.abs(o - (all > 0 ? (n * shares[k]!) / all : 0))).toBeLessThan(1)
        },
      ),
    )
  })
})
