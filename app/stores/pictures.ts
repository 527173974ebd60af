import { sha256 as hashOf } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'
import { defineStore } from 'pinia'
import type { Entry } from '#core'
import { LARGEST_PICTURE_MB, PICTURE_TYPES } from '#shared/dto'
import { allPictures, dropPicture, keepPicture } from './cupboard'
import { useOutbox } from './outbox'

/**
 * Photographs on their way: kept on this device whole until an entry that carries them is at the shop, so that neither a reload nor
 * a shop that is away loses one. Their names are made here, and entries can name them at once.
 */
export const usePictures = defineStore('pictures', () => {
  const outbox = useOutbox()
  /** Where this page has a picture itself, by its name. */
  const here = shallowReactive(new Map<string, string>())

  async function load() {
    for (const { sha256, blob } of await allPictures()) here.set(sha256, URL.createObjectURL(blob))
  }

  /** Takes a picture in and sends it. @returns its name, or a sentence about what is wrong with it */
  async function keep(build: string, file: File): Promise<{ sha256: string } | { sentence: string }> {
    if (!PICTURE_TYPES.includes(file.type)) return { sentence: `“${file.name}” can’t be read here: JPEG, PNG and WebP can.` }
    if (file.size > LARGEST_PICTURE_MB * 1024 * 1024) return { sentence: `“${file.name}” is too large: at most ${LARGEST_PICTURE_MB} MB.` }
    const sha256 = bytesToHex(hashOf(new Uint8Array(await file.arrayBuffer())))
    // A blob of its own: the file may be gone from its folder before it is sent.
    const blob = new Blob([await file.arrayBuffer()], { type: file.type })
    try {
      await keepPicture({ sha256, blob })
    } catch {
      return { sentence: 'This device has no room for the photograph.' }
    }
    if (!here.has(sha256)) here.set(sha256, URL.createObjectURL(blob))
    const sent = await outbox.put(sha256, `/api/builds/${build}/photographs/${sha256}`, { picture: sha256 })
    if (sent.kind !== 'refused') return { sha256 }
    await forget(sha256)
    return { sentence: sent.problem.fields?.[0]?.sentence ?? sent.problem.detail }
  }

  async function forget(sha256: string) {
    const url = here.get(sha256)
    if (url) URL.revokeObjectURL(url)
    here.delete(sha256)
    await dropPicture(sha256)
  }

  // The shop has the picture and the entry that carries it: from here on it is shown as the shop made it.
  outbox.onKept((value, write) => {
    const kept = write.url.includes('/batches/') ? (JSON.parse(write.body) as { entries: Entry[] }).entries : [value as Partial<Entry>]
    for (const name of kept.flatMap(entry => entry?.photos ?? [])) void forget(name)
  })

  const src = (build: string, sha256: string, small = false) => here.get(sha256) ?? `/api/builds/${build}/photographs/${sha256}${small ? '?small' : ''}`
  return { load, keep, forget, src, here }
})
