/** Hands a file that was made on this device to whoever asked for it. */
export function download(content: BlobPart, type: string, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([content], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
