import { Slider } from '@chakra-ui/react'

interface Props {
  label: string
  value: number
  min: number
  max: number
  step?: number
  /** At every step of the way. */
  slide: (value: number) => void
  /** When it is let go. */
  done?: (value: number) => void
}

/** A number by hand, where about is enough. */
export function Slide({ label, value, min, max, step = 1, slide, done }: Props) {
  return (
    <Slider.Root
      // eslint-disable-next-line jsx-a11y/aria-proptypes -- one name for each thumb
      aria-label={[label]}
      value={[Math.min(max, Math.max(min, value))]}
      min={min}
      max={max}
      step={step}
      onValueChange={(change) => slide(change.value[0]!)}
      onValueChangeEnd={(change) => done?.(change.value[0]!)}
    >
      <Slider.Control>
        <Slider.Track>
          <Slider.Range />
        </Slider.Track>
        <Slider.Thumbs />
      </Slider.Control>
    </Slider.Root>
  )
}
