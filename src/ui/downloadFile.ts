/** Hands a text to the person as a file. */
export function downloadFile(name: string, type: string, content: string | Blob): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}
