import { seatForm } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const seat = kindWords<'seat'>({
  label: 'Seat',
  say: (body, lengths) => {
    const { seatAngle, seatWidth } = seatForm({ ...body, outer: body.outer.value })
    return [`${body.up ? 'to be cut: ' : ''}${say(seatAngle, 'angle', lengths)}, ${say(seatWidth, 'length', lengths)} wide, ${say(body.outer.value, 'length', lengths)} across`, ...body.up ? [`valve up by ${say(body.up.value, 'length', lengths)}`] : [], ...body.cutter ? [`guide ${body.cutter}`] : []].join(', ')
  }
})
