import { IsBoolean } from 'class-validator'
import { PlainNote, Sound } from '../decorators'

export class PutAwayBody {
  @IsBoolean({ message: 'Say whether it is put away.' }) away!: boolean
  @PlainNote(300) @Sound((value, { away }) => away === true && typeof value === 'string' && value.trim() === '' ? 'Say why it is put away.' : undefined) reason!: string
}
