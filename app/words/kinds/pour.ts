import { pourResult } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { sayEnclosed } from '../pours'

export const pour = kindWords<'pour'>({
  label: 'Pour',
  say: (body, lengths, entry) => `${body.vessel ?? sayEnclosed(body.encloses, body.n)}${body.n ? ':' : ''} ${say(pourResult(entry).value, 'volume', lengths)}`,
  typed: ({ typed }) => typed
})
