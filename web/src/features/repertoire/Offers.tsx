import { Box, Flex, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { api, ask, client, type Schemas } from '../../api/client'
import { useSaved } from '../../api/saved'
import { Press } from '../../ui/Press'
import { Refusal, useProblem } from '../../ui/refusal'

/** The first few by name, the rest by number. */
const few = (names: string[]) =>
  names.length > 3 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(', ')

/** Exercises for what is hard about a passage: those there are, and those that could be made in its key. */
export function Offers({ passage }: { passage: Schemas['PassageView'] }) {
  const saved = useSaved()
  const { problem, run } = useProblem()
  const params = { path: { id: passage.id } }
  const offers = api.useQuery(
    'get',
    '/api/materials/{id}/offers',
    { params },
    { enabled: passage.difficulty !== '' },
  )
  if (!offers.data) return null
  const { difficulty, key, fromMusic, known } = offers.data
  const open = offers.data.offers.filter((offer) => known.every((one) => one.name !== offer.title))
  const keep = async (offer: Schemas['OfferView']) => {
    const body = { sheet: offer.sheet, serves: [difficulty], title: offer.title, inAllKeys: false }
    await run(() => ask(client.POST('/api/technique/exercises', { body })))
    await saved()
  }
  return (
    <Box as="section" aria-label={`Exercises for ${difficulty}`} mt="6">
      <Text fontWeight={700} fontSize="1.1em" mb="1">
        {passage.bars}: exercises for {difficulty}
      </Text>
      <Text color="faded" maxW="62ch">
        {known.length > 0 ? `Under way: ${few(known.map((one) => one.name))}.` : 'None is under way yet.'}{' '}
        {open.length > 0 && `Each would be ${fromMusic ? `in ${key}, the key of the music` : `in ${key}`}.`}
      </Text>
      {open.map((offer) => (
        <Flex
          key={offer.title}
          gap="4"
          align="center"
          wrap="wrap"
          py="1"
          mt="1"
          borderTop="1px solid"
          borderColor="line"
          data-testid="offer"
        >
          <Text flex="1" minW="260px">
            <b>{offer.title}</b>, {offer.why}
          </Text>
          <Press look="quiet" minH="36px" aria-label={`Practise ${offer.title}`} onClick={() => keep(offer)}>
            Practise it
          </Press>
        </Flex>
      ))}
      <Refusal problem={problem} />
      {open.length === 0 && known.length === 0 && <Link to="/craft">Make one of your own</Link>}
    </Box>
  )
}
