import { describe, expect, it } from 'vitest'
import { signFigures } from '~/components/signs/signFigures'
import { practiceResult, QUESTIONS, signQuestions } from '~/forms/signPractice'
import { type SignId, signIds, signs, signsOf, signTopics, topicOf, topicTitle } from '~/words/signs'

describe('signs', () => {
  it('each has a drawing of its own and a sentence, and a topic has at least two to tell apart', () => {
    expect(Object.keys(signFigures).toSorted()).toEqual(signIds.toSorted())
    for (const id of signIds) {
      expect(signs[id].says, id).toMatch(/^[A-Z].*\.$/)
      expect(signFigures[id].parts.length, id).toBeGreaterThan(0)
      for (const p of signFigures[id].parts) expect(p.d, id).toMatch(/^M[-\d. ]/)
    }
    expect(new Set(signIds.map(id => JSON.stringify(signFigures[id]))).size).toBe(signIds.length)
    for (const topic of signTopics) {
      expect(signsOf(topic).length, topic).toBeGreaterThanOrEqual(2)
      expect(topicTitle[topic].length).toBeGreaterThan(5)
    }
    for (const topic of Object.values(topicOf)) expect(signTopics).toContain(topic)
  })
  it('eggs with eyes have two dots for each egg', () => {
    const circles = (as: string) =>
      signFigures.eyedEggs.parts.filter(p => p.as === as).reduce((n, p) => n + (p.d.match(/M/g)?.length ?? 0), 0)
    expect(circles('dark')).toBe(2 * circles('ripe'))
  })
})

describe('the practice', () => {
  it('asks ten, none twice; the answer is among the other signs of its topic', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const all = signQuestions(seed)
      expect(all).toHaveLength(QUESTIONS)
      expect(new Set(all.map(q => q.of)).size).toBe(QUESTIONS)
      for (const { of, options } of all) {
        expect(options).toContain(of)
        expect(new Set(options).size).toBe(options.length)
        expect(options.length).toBeGreaterThanOrEqual(2)
        expect(options.length).toBeLessThanOrEqual(4)
        for (const o of options) expect(signs[o].topic).toBe(signs[of].topic)
      }
    }
  })
  it('is the same for the same seed, and every sign and place comes up over many', () => {
    expect(signQuestions(7)).toEqual(signQuestions(7))
    expect(signQuestions(7)).not.toEqual(signQuestions(8))
    const many = Array.from({ length: 200 }, (_, seed) => signQuestions(seed)).flat()
    expect(new Set(many.map(q => q.of)).size).toBe(signIds.length)
    // the answer stands first no more often than chance has it
    const pairs = many.filter(q => q.options.length === 2)
    const first = pairs.filter(q => q.options[0] === q.of).length / pairs.length
    expect(first).toBeGreaterThan(0.42)
    expect(first).toBeLessThan(0.58)
  })
  it('tells what was mistaken for what', () => {
    const questions = signQuestions(3).slice(0, 3)
    const wrong = questions[1]!.options.find(o => o !== questions[1]!.of)!
    const answers: SignId[] = [questions[0]!.of, wrong, questions[2]!.of]
    expect(practiceResult(questions, answers)).toEqual({
      ...{ right: 2, of: 3 },
      mistaken: [{ is: questions[1]!.of, takenFor: wrong }],
    })
    expect(practiceResult(questions, [])).toEqual({ right: 0, of: 0, mistaken: [] })
  })
})
