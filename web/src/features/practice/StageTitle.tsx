import { chakra } from '@chakra-ui/react'

/** A title that breaks between words, never inside its bars: "5–8" stays together. */
export function StageTitle({ text }: { text: string }) {
  return text.split(/(\d+–\d+)/).map((part, i) =>
    i % 2 === 0 ? (
      part
    ) : (
      <chakra.span key={i} whiteSpace="nowrap">
        {part}
      </chakra.span>
    ),
  )
}
