import { Box, Flex, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { asBytes } from '../../api/asBytes'
import { ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { bookQuery } from '../../api/book'
import { FileChoice } from '../../ui/FileChoice'
import { Press } from '../../ui/Press'
import { PageBoxes } from './PageBoxes'
import { Refusal, useProblem } from '../../ui/refusal'
import { useRemoval } from '../../ui/removal'

/** Pages on paper, photographed or as a PDF, beside what is known of the piece. */
export function Pages({ piece }: { piece: Schemas['PieceView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const removal = useRemoval()
  const [shown, setShown] = useState<number | null>(null)
  const page = piece.pages.find((one) => one.id === shown) ?? piece.pages[0]
  const add = async (file: File) => {
    const made = await run(() =>
      ask(
        client.POST('/api/pieces/{id}/pages', {
          params: { path: { id: piece.id }, query: { name: file.name.slice(0, 120) } },
          ...asBytes(file),
        }),
      ),
    )
    if (!made) return
    setShown(made.id)
    await saved('/api/pieces/{id}')
  }
  const remove = async (id: number) => {
    const params = { path: { id } }
    await run(() =>
      removal(
        piece.pages.find((one) => one.id === id)?.name || 'a page',
        () => ask(client.DELETE('/api/pages/{id}', { params })),
        () => ask(client.POST('/api/pages/{id}/back', { params })),
      ),
    )
  }
  return (
    <Box as="section" aria-label="Pages" mt="3">
      <Flex gap="4" align="center" wrap="wrap">
        <FileChoice label="Page file" accept=".png,.jpg,.jpeg,.webp,.pdf" take={(file) => void add(file)}>
          {piece.pages.length === 0 ? 'Put a page beside it (picture, PDF)' : 'Another page'}
        </FileChoice>
        {piece.pages.length > 1 &&
          piece.pages.map((one, i) => (
            <Press
              key={one.id}
              look="quiet"
              minH="36px"
              aria-pressed={one.id === page?.id}
              title={one.name}
              onClick={() => setShown(one.id)}
            >
              page {i + 1}
            </Press>
          ))}
        {page && (
          <Press look="quiet" minH="36px" onClick={() => remove(page.id)}>
            Remove {piece.pages.length > 1 ? 'this page' : 'the page'}
          </Press>
        )}
      </Flex>
      <Refusal problem={problem} />
      {page && <Sheet key={page.id} page={page} piece={piece} />}
    </Box>
  )
}

function Sheet({ page, piece }: { page: Schemas['PageView']; piece: Schemas['PieceView'] }) {
  if (page.contentType !== 'application/pdf') return <PageBoxes page={page} piece={piece} />
  const address = bookQuery(`/api/pages/${page.id}`)
  return (
    <Box bg="sheet" border="1px solid" borderColor="line" borderRadius="8px" p="2" mt="2">
      <chakra.iframe
        src={`${address}#navpanes=0`}
        title={page.name || 'Page'}
        width="100%"
        height="70vh"
        border="0"
      />
      <Text color="faded" fontSize="0.92em" px="2" pb="1">
        Boxes become passages on pictures of a page (PNG, JPEG, WebP), not on a PDF.
      </Text>
    </Box>
  )
}
