import type { Finding, OnFace, PaperName, PrintedBody } from '#core'

/** What each finding is called. */
export const FINDING_WORDS: Record<Finding, string> = {
  leakTrack: 'leak track', erosion: 'erosion', crack: 'crack', sunkValve: 'sunk valve', painted: 'painted face', filed: 'filed face', oil: 'oil', missing: 'missing part', thin: 'thin wall', numbering: 'numbering begins here', other: 'something else'
}

/** Where on the face it is. */
export const sayOnFace = (where: OnFace): string => 'at' in where ? `at cylinder ${where.at}` : `between ${where.between[0]} and ${where.between[1]}`

export const PAPER_WORDS: Record<PaperName, { name: string, what: string }> = {
  customer: { name: 'Customer sheet', what: 'One page for whoever owns the engine.' },
  record: { name: 'Full record', what: 'Every entry, with the sums.' },
  order: { name: 'Work order', what: 'For whoever cuts the face or the deck.' },
  stop: { name: 'Stop card', what: 'What each chamber is to read.' },
  lathe: { name: 'Lathe card', what: 'For whoever turns the head.' },
  pistons: { name: 'Order of pistons', what: 'For whoever makes them.' },
  shims: { name: 'Spring shims', what: 'What goes under each spring.' },
  quote: { name: 'Quote', what: 'What the job is planned to come to.' },
  bill: { name: 'Bill of hours', what: 'What it came to, hour by hour.' }
}
export const FORM_WORDS: Record<PrintedBody['form'], string> = { A4: 'on A4', LETTER: 'on letter', page: 'as a page' }
