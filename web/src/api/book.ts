/** Whose file this window works in. Kept by the window, so several windows may show several books. */
export type Book = 'Demo' | 'HandDrum' | 'Own'

const place = 'practice-book'

export function chosenBook(): Book | null {
  const kept = sessionStorage.getItem(place) ?? localStorage.getItem(place)
  return kept === 'Demo' || kept === 'HandDrum' || kept === 'Own' ? kept : null
}

export function keepBook(book: Book) {
  sessionStorage.setItem(place, book)
  localStorage.setItem(place, book)
}

/** The address with the book in it, for what a browser fetches by itself. */
export function bookQuery(address: string) {
  const book = chosenBook()
  return book ? `${address}?book=${book}` : address
}
