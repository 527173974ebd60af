import { pourResult } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { ENCLOSED_WORDS } from '../pours'

export const pour = kindWords<'pour'>({
  label: 'Pour',
  say: (body, lengths, entry) => `${body.vessel ?? ENCLOSED_WORDS[body.encloses].label} ${say(pourResult(entry).value, 'volume', lengths)}`,
  typed: ({ typed }) => typed
})
