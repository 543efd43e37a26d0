/** Saves what was made as a file of the person's own. */
export function save(content: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
