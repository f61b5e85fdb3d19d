import { PDFDocument, type PDFFont, StandardFonts } from 'pdf-lib'

/** What stands on a recipe card. Plain text: numerals carry no marks here. */
export interface RecipeCard { title: string, about: string, headline: string, steps: string[], rows: { name: string, now: string, then: string, target: string }[], cautions: string[], foot: string }

const PAGE = { width: 420, height: 595, margin: 36 }

/** The card as a PDF of A5 size, to hang beside the glass. */
export async function recipePdf(card: RecipeCard): Promise<Uint8Array<ArrayBuffer>> {
  const pdf = await PDFDocument.create()
  pdf.setTitle(card.title)
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  const bold = await pdf.embedFont(StandardFonts.HelveticaBold)
  let page = pdf.addPage([PAGE.width, PAGE.height])
  let y = PAGE.height - PAGE.margin
  const line = (text: string, { size = 10, face = font, indent = 0, gap = 4 }: { size?: number, face?: PDFFont, indent?: number, gap?: number } = {}) => {
    for (const part of wrapped(encodable(text, face), face, size, PAGE.width - 2 * PAGE.margin - indent)) {
      if (y < PAGE.margin + size) {
        page = pdf.addPage([PAGE.width, PAGE.height])
        y = PAGE.height - PAGE.margin
      }
      y -= size * 1.25
      page.drawText(part, { x: PAGE.margin + indent, y, size, font: face })
    }
    y -= gap
  }
  line(card.title, { size: 16, face: bold })
  line(card.about, { size: 9, gap: 8 })
  line(card.headline, { size: 12, face: bold, gap: 8 })
  card.steps.forEach((step, i) => line(`${i + 1}.  ${step}`, { size: 11, gap: 6 }))
  y -= 6
  for (const row of card.rows) line(`${row.name}: now ${row.now}, then ${row.then}${row.target && ` (preferred ${row.target})`}`, { size: 9, gap: 1 })
  y -= 8
  for (const caution of card.cautions) line(caution, { size: 8, gap: 2 })
  line(card.foot, { size: 8 })
  return new Uint8Array(await pdf.save())
}

/** The standard fonts know Western letters only; what they lack becomes its nearest plain sign. */
function encodable(text: string, face: PDFFont): string {
  const known = new Set(face.getCharacterSet())
  return [...text.replaceAll('−', '-').replaceAll(/[\u202F\u2009\u00A0]/g, ' ').replaceAll(/[₀-₉]/g, d => String(d.charCodeAt(0) - 0x2080))].map(c => (known.has(c.codePointAt(0)!) ? c : '?')).join('')
}

function wrapped(text: string, face: PDFFont, size: number, width: number): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(' ')) {
    const longer = line ? `${line} ${word}` : word
    if (line && face.widthOfTextAtSize(longer, size) > width) {
      lines.push(line)
      line = word
    }
    else line = longer
  }
  return [...lines, line]
}
