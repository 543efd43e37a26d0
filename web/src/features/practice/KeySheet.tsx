import { Box, Grid, Text } from '@chakra-ui/react'
import { Fragment } from 'react'
import { Sheet } from './Sheet'

const keys = [
  ['→ or right pedal', 'yes: clean, right, done, go on'],
  ['← or left pedal', 'no: missed, wrong, late, back'],
  ['hold a pedal, or space', 'pause and go on'],
  ['enter', 'this drill is done'],
  ['S', 'skip this drill'],
  ['B', 'back to the drill before'],
  ['E', 'one minute more'],
  ['A', 'again later today: in the next sitting'],
  ['Z', 'take the last result back'],
  ['+ and −', 'tempo by two; up and down arrows by one'],
  ['1  2  3', 'readiness: raw, taking shape, concert-ready'],
  ['T, then 0 to 3', 'tension, none to high: the tempo follows'],
  ['G', 'groove on and off'],
  ['M', 'click on and off'],
  ['D', 'drone on and off'],
  ['R', 'hear the question again'],
  ['N', 'write a note'],
  ['L', 'put an idea on the shelf'],
  ['esc', 'close the session'],
] as const

export function KeySheet({ close }: { close: () => void }) {
  return (
    <Sheet title="Keys and pedal" close={close}>
      <Grid templateColumns="auto 1fr" columnGap="20px" rowGap="6px">
        {keys.map(([key, what]) => (
          <Fragment key={key}>
            <Text fontWeight={700}>{key}</Text>
            <Box>{what}</Box>
          </Fragment>
        ))}
      </Grid>
    </Sheet>
  )
}
