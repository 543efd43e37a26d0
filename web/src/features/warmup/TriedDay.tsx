import { Flex, Text } from '@chakra-ui/react'
import { useChoices } from '../../api/choices'
import type { Schemas } from '../../api/client'
import { NumberInput } from '../../ui/NumberInput'
import { Tick } from '../../ui/Tick'

/** The day on which the versions are shown. */
export interface Tried {
  sittingMinutes: number
  demands: Schemas['Demands'][]
}

/** The length and the demands that all versions are cut to. */
export function TriedDay({ tried, set }: { tried: Tried; set: (tried: Tried) => void }) {
  const { leastMinutes, mostMinutes } = useChoices()
  const demand = (name: Schemas['Demands'], on: boolean) =>
    set({ ...tried, demands: [...tried.demands.filter((one) => one !== name), ...(on ? [name] : [])] })
  return (
    <Flex gap="4" align="center" wrap="wrap">
      <Text color="faded">as in a sitting of</Text>
      <NumberInput
        label="Minutes of the sitting"
        value={tried.sittingMinutes}
        min={leastMinutes}
        max={mostMinutes}
        onChange={(value) =>
          set({ ...tried, sittingMinutes: Math.min(mostMinutes, Math.max(leastMinutes, value)) })
        }
      />
      <Text color="faded">minutes</Text>
      <Tick
        label="rehearsal later"
        on={tried.demands.includes('Rehearsal')}
        set={(on) => demand('Rehearsal', on)}
      />
      <Tick label="concert" on={tried.demands.includes('Concert')} set={(on) => demand('Concert', on)} />
    </Flex>
  )
}
