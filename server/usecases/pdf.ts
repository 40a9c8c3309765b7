import type { Paper } from '../formats/pdf'
import type { ServerWork } from '../work/jobs'

/** How long a paper may take, ms. */
const PRINT_MS = 30_000

/** A paper as a PDF, made where long jobs are done. */
export async function pdfOf(work: ServerWork, paper: Paper): Promise<Buffer> {
  const limits = { deadlineMs: PRINT_MS, tooMuch: 'Print fewer of it at once.' }
  return Buffer.from(await work.do('pdf', paper, limits))
}
