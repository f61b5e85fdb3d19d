import { PDFDocument, type PDFFont, StandardFonts } from 'pdf-lib'

/** A line of a card. */
export interface CardLine {
  text: string
  size?: number
  bold?: boolean
  indent?: number
  gap?: number
}

const PAGE = { width: 420, height: 595, margin: 36 }

/** A card as a PDF of A5 size: a title, and lines that wrap and run on to as many pages as they need. */
export async function cardPdf(title: string, lines: readonly CardLine[]): Promise<Uint8Array<ArrayBuffer>> {
  const pdf = await PDFDocument.create()
  pdf.setTitle(title)
  const plain = await pdf.embedFont(StandardFonts.Helvetica)
  const heavy = await pdf.embedFont(StandardFonts.HelveticaBold)
  let page = pdf.addPage([PAGE.width, PAGE.height])
  let y = PAGE.height - PAGE.margin
  for (const { text, size = 10, bold = false, indent = 0, gap = 4 } of [
    { text: title, size: 16, bold: true },
    ...lines,
  ]) {
    const face = bold ? heavy : plain
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
  return new Uint8Array(await pdf.save())
}

/** The standard fonts know Western letters only; what they lack becomes its nearest plain sign. */
function encodable(text: string, face: PDFFont): string {
  const known = new Set(face.getCharacterSet())
  return [
    ...text
      .replaceAll('−', '-')
      .replaceAll(/[\u202F\u2009\u00A0]/g, ' ')
      .replaceAll(/[₀-₉]/g, d => String(d.charCodeAt(0) - 0x2080)),
  ]
    .map(c => (known.has(c.codePointAt(0)!) ? c : '?'))
    .join('')
}

function wrapped(text: string, face: PDFFont, size: number, width: number): string[] {
  const lines: string[] = []
  let line = ''
  for (const word of text.split(' ')) {
    const longer = line ? `${line} ${word}` : word
    if (line && face.widthOfTextAtSize(longer, size) > width) {
      lines.push(line)
      line = word
    } else line = longer
  }
  return [...lines, line]
}
