import { StatementBody } from '../statement'

export class AssumeBody extends StatementBody {}
