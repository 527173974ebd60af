import { seatForm } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const seat = kindWords<'seat'>({
  label: 'Seat',
  say: (body, lengths) => {
    const { seatAngle, seatWidth } = seatForm({ ...body, outer: body.outer.value })
    return [`${say(seatAngle, 'angle', lengths)}, ${say(seatWidth, 'length', lengths)} wide, ${say(body.outer.value, 'length', lengths)} across`, ...body.cutter ? [`guide ${body.cutter}`] : []].join(', ')
  }
})
