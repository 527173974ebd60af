import { FaceBody } from '../operation'

export class DeckCutBody extends FaceBody {}
