/** Whose file this window works in. Kept by the window, so several windows may show several books. */
export type Book = 'Demo' | 'HandDrum' | 'Own'

const place = 'practice-book'

/** The book that the program was started with by name; empty where each browser shows the one it showed last. */
const startedWith = () => document.querySelector<HTMLMetaElement>('meta[name="start-book"]')?.content

/** What this window shows: what was chosen in it, else the book the program was started with, else the one shown last. */
export function chosenBook(): Book | null {
  const kept =
    sessionStorage.getItem(place) ?? (startedWith() === 'Own' ? 'Own' : null) ?? localStorage.getItem(place)
  return kept === 'Demo' || kept === 'HandDrum' || kept === 'Own' ? kept : null
}

/** Whether there is surely a plan to ask for: of a demo, or of a book that this browser has shown before. */
export const hasPlan = () => localStorage.getItem(place) !== null || startedWith() !== 'Own'

export function keepBook(book: Book) {
  sessionStorage.setItem(place, book)
  localStorage.setItem(place, book)
}

/** The address with the book in it, for what a browser fetches by itself. */
export function bookQuery(address: string) {
  const book = chosenBook()
  return book ? `${address}${address.includes('?') ? '&' : '?'}book=${book}` : address
}
