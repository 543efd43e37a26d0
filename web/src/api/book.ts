/** Whose file this window works in. Kept by the window, so several windows may show several books. */
export type Book = 'Demo' | 'HandDrum' | 'Own'

const place = 'practice-book'

/** What this window shows: what was chosen in it, else the book the program was started with, else the one shown last. */
export function chosenBook(): Book | null {
  const started = document.querySelector<HTMLMetaElement>('meta[name="start-book"]')?.content
  const kept =
    sessionStorage.getItem(place) ?? (started === 'Own' ? started : null) ?? localStorage.getItem(place)
  return kept === 'Demo' || kept === 'HandDrum' || kept === 'Own' ? kept : null
}

/** Whether this browser has shown a book before: then there is a plan to ask for. */
export const hasShownBook = () => localStorage.getItem(place) !== null

export function keepBook(book: Book) {
  sessionStorage.setItem(place, book)
  localStorage.setItem(place, book)
}

/** The address with the book in it, for what a browser fetches by itself. */
export function bookQuery(address: string) {
  const book = chosenBook()
  return book ? `${address}?book=${book}` : address
}
