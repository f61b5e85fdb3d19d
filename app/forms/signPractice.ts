import { hashText, type Random, seededRandom } from '#core/stats'
import { type SignId, signIds, signs, signsOf } from '~/words/signs'

/** A drawing, and what it may be. */
export interface SignQuestion {
  of: SignId
  options: SignId[]
}

export const QUESTIONS = 10
const MOST_OPTIONS = 4

/** Shuffled by the algorithm of Fisher and Yates (Durstenfeld 1964). */
function shuffled<T>(all: readonly T[], random: Random): T[] {
  const out = [...all]
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    ;[out[i], out[j]] = [out[j]!, out[i]!]
  }
  return out
}

/** Ten questions, none twice; what is offered is what one mistakes it for: the other signs of its topic. */
export function signQuestions(seed: number): SignQuestion[] {
  // seeds that follow each other must not begin alike
  const random = seededRandom(hashText(`signs ${seed}`))
  return shuffled(signIds, random)
    .slice(0, QUESTIONS)
    .map(of => {
      const others = shuffled(
        signsOf(signs[of].topic).filter(id => id !== of),
        random,
      ).slice(0, MOST_OPTIONS - 1)
      return { of, options: shuffled([of, ...others], random) }
    })
}

/** What came of a practice. */
export interface PracticeResult {
  right: number
  of: number
  mistaken: { is: SignId; takenFor: SignId }[]
}

/** @param answers one for each question, in order */
export function practiceResult(questions: readonly SignQuestion[], answers: readonly SignId[]): PracticeResult {
  const mistaken = questions.flatMap(({ of }, k) =>
    answers[k] !== undefined && answers[k] !== of ? [{ is: of, takenFor: answers[k] }] : [],
  )
  return { right: answers.length - mistaken.length, of: answers.length, mistaken }
}
