import { PlainNote, Sound } from '../decorators'

export class VoidBody {
  @PlainNote(300) @Sound(v => typeof v === 'string' && v.trim() === '' ? 'Say why it is struck out.' : undefined) reason!: string
}
