import { cardPdf } from './cardPdf'

/** What stands on a recipe card. Plain text: numerals carry no marks here. */
export interface RecipeCard {
  title: string
  about: string
  headline: string
  steps: string[]
  rows: { name: string; now: string; then: string; target: string }[]
  cautions: string[]
  foot: string
}

/** The card as a PDF of A5 size, to hang beside the glass. */
export const recipePdf = (card: RecipeCard): Promise<Uint8Array<ArrayBuffer>> =>
  cardPdf(card.title, [
    { text: card.about, size: 9, gap: 8 },
    { text: card.headline, size: 12, bold: true, gap: 8 },
    ...card.steps.map((step, i) => ({
      text: `${i + 1}.  ${step}`,
      size: 11,
      gap: i === card.steps.length - 1 ? 12 : 6,
    })),
    ...card.rows.map((row, i) => ({
      text: `${row.name}: now ${row.now}, then ${row.then}${row.target && ` (preferred ${row.target})`}`,
      size: 9,
      gap: i === card.rows.length - 1 ? 9 : 1,
    })),
    ...card.cautions.map(text => ({ text, size: 8, gap: 2 })),
    { text: card.foot, size: 8 },
  ])
