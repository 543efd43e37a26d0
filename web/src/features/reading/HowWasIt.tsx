import { DeskKey } from '../practice/DeskKey'

/** What is asked after a reading; nothing is chosen beforehand. */
export function HowWasIt({ right, some }: { right: () => void; some: () => void }) {
  return (
    <>
      <DeskKey name="all on time" keys="→" press={right} />
      <DeskKey name="some were not" keys="←" press={some} />
    </>
  )
}
