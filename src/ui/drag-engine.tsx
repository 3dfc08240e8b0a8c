'use client'

import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  getClientRect,
  pointerWithin,
  rectIntersection,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  useEffect,
  useId,
  useImperativeHandle,
  useLayoutEffect,
  useRef,
  useState,
  type Ref,
  type RefObject,
} from 'react'
import { flushSync } from 'react-dom'
import { draggableAt, type DragsProps, type Early, type Press } from './dragging'

/**
 * What drags: a mouse that has travelled a little, so that a click stays a click; a finger that has rested a moment, so that
 * a swipe scrolls. It stands beside what is dragged: one handle for what is pressed, and a place for everything that can be
 * dropped on, while a drag lasts.
 */
export function DragEngine({
  area,
  children,
  onStart,
  onOver,
  onEnd,
  onCancel,
  beginRef,
  earlyRef,
}: DragsProps & {
  beginRef: RefObject<((press: Press) => void) | null>
  earlyRef: RefObject<Early | null>
}) {
  const [pressed, setPressed] = useState<HTMLElement | null>(null)
  /** For how long a finger has rested already, in milliseconds. */
  const [rested, setRested] = useState(0)
  const [places, setPlaces] = useState<readonly HTMLElement[]>([])
  const handle = useRef<Handle>(null)
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: Math.max(0, 350 - rested), tolerance: 8 } }),
  )
  useEffect(() => {
    const press = (event: Press) => {
      flushSync(() => {
        setPressed(draggableAt(event))
        setRested(performance.now() - event.timeStamp)
      })
      handle.current?.press(unspent(event))
    }
    const takeUp = ({ press: event, last }: Early) => {
      press(event)
      if (!last) return
      // The first makes it a drag, the second says where it is.
      const move = () => document.dispatchEvent(new MouseEvent('mousemove', last))
      move()
      requestAnimationFrame(move)
    }
    beginRef.current = press
    // A press cannot be taken up while this is only being put in its place.
    queueMicrotask(() => {
      if (earlyRef.current && beginRef.current === press) takeUp(earlyRef.current)
      earlyRef.current = null
    })
    return () => {
      beginRef.current = null
    }
  }, [beginRef, earlyRef])
  const rest = () => setPlaces([])
  return (
    <DndContext
      id={useId()}
      sensors={sensors}
      collisionDetection={underThePointer}
      measuring={measuring}
      onDragStart={({ active }) => {
        setPlaces([...(area.current?.querySelectorAll<HTMLElement>('[data-drop]') ?? [])])
        onStart(String(active.id))
      }}
      onDragOver={(event) => onOver?.(...at(event))}
      onDragEnd={(event) => {
        rest()
        onEnd(...at(event))
      }}
      onDragCancel={() => {
        rest()
        onCancel()
      }}
    >
      {pressed && <Pressed key={pressed.dataset.drag} element={pressed} ref={handle} />}
      {places.map((element, i) => (
        <Place key={i} id={`${i}`} element={element} />
      ))}
      <DragOverlay dropAnimation={null}>{children}</DragOverlay>
    </DndContext>
  )
}

/** A press about which nothing has been done yet: none other begins a drag, and what came early has been through the page. */
function unspent(event: Press): Press {
  return event.defaultPrevented && event instanceof MouseEvent ? new MouseEvent(event.type, event) : event
}

/** It is dropped on what the pointer is over, however large what hangs on it; beside everything, on what that covers most. */
const underThePointer: CollisionDetection = (all) => {
  const under = pointerWithin(all)
  return under.length > 0 ? under : rectIntersection(all)
}

/** Where what is dragged stands on the page, also in a list that puts its parts there by a transform. */
const measuring = { draggable: { measure: (element: HTMLElement) => getClientRect(element) } }

/** What is dragged, and the name of what it is over. */
function at({ active, over }: Pick<DragEndEvent, 'active' | 'over'>): [string, string | null] {
  return [String(active.id), (over?.data.current?.name as string | undefined) ?? null]
}

interface Handle {
  readonly press: (event: Press) => void
}

function Pressed({ element, ref }: { element: HTMLElement; ref: Ref<Handle> }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: element.dataset.drag ?? '' })
  useLayoutEffect(() => setNodeRef(element), [element, setNodeRef])
  useImperativeHandle(ref, () => ({
    press: (event) => {
      const name = event.type === 'mousedown' ? 'onMouseDown' : 'onTouchStart'
      listeners?.[name]?.({ nativeEvent: event })
    },
  }))
  useMark(element, 'away', isDragging)
  return null
}

function Place({ id, element }: { id: string; element: HTMLElement }) {
  const { setNodeRef, isOver } = useDroppable({ id, data: { name: element.dataset.drop } })
  useLayoutEffect(() => setNodeRef(element), [element, setNodeRef])
  useMark(element, 'over', isOver)
  return null
}

/** Says of an element what it is to the drag. */
function useMark(element: HTMLElement, name: 'away' | 'over', isSo: boolean) {
  useLayoutEffect(() => {
    if (!isSo) return
    element.setAttribute(`data-${name}`, 'true')
    return () => {
      element.removeAttribute(`data-${name}`)
    }
  }, [element, name, isSo])
}
