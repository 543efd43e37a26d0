import { ask, client } from '../../api/client'
import type { SheetWish } from './SheetPage'

/** Downloads the sheet as a file that other programs read. */
export async function save(body: SheetWish, kind: 'midi' | 'musicxml', title: string) {
  const file = await ask(client.POST(`/api/technique/sheet/${kind}`, { body, parseAs: 'blob' }))
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file as Blob)
  link.download = `${title}.${kind === 'midi' ? 'mid' : 'musicxml'}`
  link.click()
  URL.revokeObjectURL(link.href)
}
