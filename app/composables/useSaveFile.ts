/** Hands a file to the person: text, bytes or a blob under a name. */
export function useSaveFile() {
  return (content: string | Uint8Array | Blob, name: string, type: string): void => {
    const url = URL.createObjectURL(new Blob([content as BlobPart], { type }))
    const link = document.createElement('a')
    link.href = url
    link.download = name
    link.click()
    setTimeout(() => URL.revokeObjectURL(url), 10_000)
  }
}
