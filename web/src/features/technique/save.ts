import { ask, client } from '../../api/client'
import { save as saveFile } from '../../ui/save'
import type { SheetWish } from './SheetPage'

/** Downloads the sheet as a file that other programs read. */
export async function save(body: SheetWish, kind: 'midi' | 'musicxml', title: string) {
  const file = await ask(client.POST(`/api/technique/sheet/${kind}`, { body, parseAs: 'blob' }))
  saveFile(file as Blob, `${title}.${kind === 'midi' ? 'mid' : 'musicxml'}`)
}
