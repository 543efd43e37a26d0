import { Box } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'

interface Props {
  abc: string
  /** What it shows, for those who do not see it. */
  label: string
  /** Wider staves for small screens and the stage. */
  staffWidth?: number
  dark?: boolean
}

/** Music engraved from ABC, sharp at any size. */
export function Engraving({ abc, label, staffWidth = 760, dark = false }: Props) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    let gone = false
    void import('abcjs').then(({ default: abcjs }) => {
      if (gone || !place.current) return
      abcjs.renderAbc(place.current, abc, {
        responsive: 'resize',
        add_classes: true,
        staffwidth: staffWidth,
        paddingtop: 4,
        paddingbottom: 4,
        paddingleft: 0,
        paddingright: 0,
        foregroundColor: dark ? '#f4efe3' : '#1e2230',
      })
    })
    return () => {
      gone = true
    }
  }, [abc, staffWidth, dark])
  return (
    <Box ref={place} role="img" aria-label={label} data-testid="engraving" width="100%" overflow="hidden" />
  )
}
