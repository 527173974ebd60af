import { portSectionOf, sectionsVolume } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const portSections = kindWords<'portSections'>({
  label: 'Sections of a port',
  say: ({ rows }, lengths) => {
    const { volume, least } = sectionsVolume(rows.map(portSectionOf))
    return `${rows.length} sections, ${say(volume, 'volume', lengths)} between them, smallest ${say(least.area, 'area', lengths)}`
  }
})
