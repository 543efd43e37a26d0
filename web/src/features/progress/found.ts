const plain = (word: string) => word.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** A text in pieces, those that were searched for marked: words that begin with one of the words looked for. */
export function found(text: string, search: string): { text: string; isFound: boolean }[] {
  const wanted = (plain(search).match(/[\p{L}\p{N}]+/gu) ?? []).filter(Boolean)
  if (wanted.length === 0) return [{ text, isFound: false }]
  return text
    .split(/([\p{L}\p{M}\p{N}]+)/gu)
    .filter((part) => part !== '')
    .map((part) => ({ text: part, isFound: wanted.some((word) => plain(part).startsWith(word)) }))
}
