import { createHash } from 'node:crypto'
import sharp from 'sharp'
import { png } from '#demo/photograph'

export const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex')

/** A black PNG of a bit a pixel: a few kB however large it is. */
export const bomb = (width: number, height: number): Buffer => png(width, height, 1, 0, Buffer.alloc((Math.ceil(width / 8) + 1) * height))

/** A picture as a phone takes it: on its side, and with the place it was taken at. */
export const phonePicture = (width = 800, height = 600, background = '#807060'): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 3, background } }).withExif({ IFD0: { Make: 'Phone' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } }).withMetadata({ orientation: 6 }).jpeg().toBuffer()
