import { PAPER_FORMS, PAPER_NAMES, type PaperName, type PrintedBody as Body } from '#core'
import { OneOf } from '../decorators'

export class PrintedBody {
  @OneOf(PAPER_NAMES, 'The paper') paper!: PaperName
  @OneOf(PAPER_FORMS, 'What it was printed on') form!: Body['form']
}
