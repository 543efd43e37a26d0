import { Flex, Text } from '@chakra-ui/react'
import { useChoices } from '../../api/choices'
import { AskChoice } from './AskChoice'

interface Props {
  title: string
  relieve: (relief: number) => void
}

/** Asked about a thing that annoys: what there should be less of, from tomorrow. */
export function ReliefAsk({ title, relieve }: Props) {
  const { reliefs } = useChoices()
  return (
    <Flex gap="2" align="center" wrap="wrap" role="group" aria-label="It annoys" data-testid="relief">
      <Text fontSize="heading" color="stageAccent" mr="2">
        {title} annoys. From tomorrow, for two weeks?
      </Text>
      {reliefs.map(({ id, name }, i) => (
        <AskChoice key={id} figure={String(i + 1)} name={name} press={() => relieve(i + 1)} />
      ))}
      <AskChoice figure="0" name="as it is" press={() => relieve(0)} />
    </Flex>
  )
}
