import { type CardLine, cardPdf } from './cardPdf'

/** What stands on the sheet for the stand-in keeper. Plain text. */
export interface StandInSheet {
  title: string
  about: string
  visits: { day: string; tasks: string[] }[]
  rules: string[]
}

/** The sheet as a PDF of A5 size. */
export const standInPdf = (sheet: StandInSheet): Promise<Uint8Array<ArrayBuffer>> =>
  cardPdf(sheet.title, [
    { text: sheet.about, size: 9, gap: 8 },
    ...sheet.visits.flatMap((v): CardLine[] => [
      { text: v.day, size: 12, bold: true, gap: 4 },
      ...v.tasks.map((text): CardLine => ({ text: `[  ]  ${text}`, size: 10, indent: 6, gap: 4 })),
      { text: '', size: 4, gap: 2 },
    ]),
    ...sheet.rules.map((text): CardLine => ({ text, size: 9, gap: 3 })),
  ])
