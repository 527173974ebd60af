import { expose } from 'comlink'
import { readReadings } from '#shared/files/readingFile'

/** Reads files beside the page: thousands of lines are checked one by one. */
expose({ readReadings })
