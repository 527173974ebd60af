import { buffer } from 'node:stream/consumers'
import { NoPicture, type Head } from './picture'
import { remake } from './remake'

/** Reads one picture, and writes it made anew: a line of JSON, then the pictures. */
async function run(): Promise<void> {
  const tell = (head: Head, ...pictures: Buffer[]) => void process.stdout.write(Buffer.concat([Buffer.from(`${JSON.stringify(head)}\n`), ...pictures]))
  try {
    const { bytes, small, width, height } = await remake(await buffer(process.stdin))
    tell({ width, height, bytes: bytes.length, small: small.length }, bytes, small)
  } catch (error) {
    if (!(error instanceof NoPicture)) throw error
    tell({ sentence: error.message })
  }
}

void run()
