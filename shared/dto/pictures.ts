/** Photographs that go with one entry. */
export const MOST_PHOTOS = 12
/** What the shop takes as a photograph, and how large. */
export const PICTURE_TYPES: readonly string[] = ['image/jpeg', 'image/png', 'image/webp']
export const LARGEST_PICTURE_MB = 32
