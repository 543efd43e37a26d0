import { chakra } from '@chakra-ui/react'
import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical } from 'lucide-react'

/** What a list item needs so that it can be dragged, and its handle for mouse, finger and keyboard. */
export function useSortableItem(id: string, name: string) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id })
  const item = {
    ref: setNodeRef,
    style: { transform: CSS.Translate.toString(transform), transition },
    position: 'relative',
    zIndex: isDragging ? 2 : undefined,
    bg: isDragging ? 'sheet' : undefined,
    borderTop: '1px solid',
    borderColor: 'line',
  } as const
  const handle = (
    <chakra.button
      {...attributes}
      {...listeners}
      className="no-print"
      aria-label={`Move ${name}`}
      cursor="grab"
      touchAction="none"
      color="faded"
      minH="34px"
    >
      <GripVertical size={17} aria-hidden />
    </chakra.button>
  )
  return { item, handle }
}
