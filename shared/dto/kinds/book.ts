import { StatementBody } from '../statement'

export class BookBody extends StatementBody {}
