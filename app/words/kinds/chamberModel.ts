import { CHAMBER_WORDS } from '#shared/words/chamber'
import { kindWords } from '../kindWords'

export const chamberModel = kindWords<'chamberModel'>({
  label: 'Chamber drawn',
  say: ({ spec, mirrored }) => `${CHAMBER_WORDS[spec.kind].toLowerCase()}, ${spec.valves.length === 0 ? 'no valves' : spec.valves.length === 1 ? 'one valve' : `${spec.valves.length} valves`}${mirrored.length ? `, ${mirrored.join(', ')} mirrored` : ''}`
})
