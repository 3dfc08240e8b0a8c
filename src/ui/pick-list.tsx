'use client'

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react'
import {
  createContext,
  memo,
  useContext,
  useEffect,
  useId,
  useRef,
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
} from 'react'
import { useExplained } from './explain'
import { useSearch } from './use-search'
import { useShared } from './use-shared'
import { useStable } from './use-stable'
import type { Meaning } from './use-synonyms'

interface PickListProps<T> {
  /** What it is a list for: where that is another, it begins anew, at its top and with the hand in its field. */
  about?: string
  /** Shown above the field. */
  label: string
  /** Name of the list, spoken. */
  list: string
  placeholder: string
  items: readonly T[]
  /** What tells one part of the list from the others. */
  idOf: (item: T) => string
  /** What the typed words are looked for in. */
  textOf: (item: T) => string
  /** What a part of the list means: it is found by the standard term and by other wordings, too. */
  meansOf?: (item: T) => Meaning | null
  onPick: (item: T) => void
  /** What a part of the list says. */
  option: (item: T) => ReactNode
  /** Where a part can be dragged out of the list: what it is called there (`dragging.ts`). */
  dragOf?: (item: T) => string
  /** Said where nothing is found. */
  nothing: (typed: string) => string
  /** Told of what is typed, where more may be found by it. */
  onType?: (typed: string) => void
  /** Told of Escape, which empties the field besides. */
  onEscape?: () => void
  /** How high the list may be, as CSS has it. */
  tall?: string
}

/**
 * A list that is searched by typing and gone through with the arrows while the cursor stays in the field; Enter picks.
 * Only what is in view is drawn, so that it is as quick with a thousand things.
 */
export function PickList<T>({
  about = '',
  items,
  idOf,
  textOf,
  meansOf,
  onPick,
  option,
  dragOf,
  nothing,
  onType,
  onEscape,
  tall = '340px',
  ...names
}: PickListProps<T>) {
  const found = useSearch({ about, items, textOf, meansOf, onPick })
  const { shown } = found
  const byId = new Map(shown.map((item) => [idOf(item), item]))
  const of =
    <V,>(make: (item: T) => V) =>
    (id: string): V | undefined => {
      const item = byId.get(id)
      return item === undefined ? undefined : make(item)
    }
  const pick = useStable(of(onPick))
  const type = useStable((words: string) => {
    found.type(words)
    onType?.(words)
  })
  const onKey = (event: KeyboardEvent) => {
    // Tab leaves the field, as everywhere; it does not pick what is under the cursor on its way.
    if (event.key === 'Tab') event.stopPropagation()
    if (event.key !== 'Enter' || !found.isWaiting) return
    event.preventDefault()
    event.stopPropagation()
    found.enter()
  }
  return (
    <div onKeyDownCapture={onKey}>
      <WordsContext value={{ says: of(option), means: (id) => (meansOf && of(meansOf)(id)) ?? null }}>
        <Choice
          {...names}
          about={about}
          ids={useShared(shown.map(idOf))}
          dragOf={useStable((id: string) => (dragOf ? of(dragOf)(id) : undefined))}
          isExplained={meansOf !== undefined}
          onPick={pick}
          onType={type}
          onEscape={useStable(() => onEscape?.())}
          tall={tall}
        />
      </WordsContext>
      {shown.length === 0 && (
        <p className="py-2 text-silt">{found.isWaiting ? 'Looking…' : nothing(found.typed)}</p>
      )}
    </div>
  )
}

/** What the parts of a list say and mean, by their ids. */
interface Words {
  readonly says: (id: string) => ReactNode
  readonly means: (id: string) => Meaning | null
}

const WordsContext = createContext<Words>({ says: () => null, means: () => null })

/** The field and its list, made of ids: where only what a part says is another, neither is drawn anew. */
const Choice = memo(function Choice({
  about,
  label,
  list,
  placeholder,
  ids,
  dragOf,
  isExplained,
  onPick,
  onType,
  onEscape,
  tall,
}: {
  about: string
  label: string
  list: string
  placeholder: string
  ids: string[]
  dragOf: (id: string) => string | undefined
  isExplained: boolean
  onPick: (id: string) => void
  onType: (words: string) => void
  onEscape: () => void
  tall: string
}) {
  const id = useId()
  const { search, options } = useBeginning(about)
  return (
    <Combobox<string | null>
      value={null}
      virtual={{ options: ids }}
      onChange={(picked) => picked !== null && onPick(picked)}
      onClose={() => onType('')}
    >
      {({ activeOption }) => (
        <>
          <label htmlFor={id} className="text-small text-silt">
            {label}
          </label>
          <ComboboxInput
            id={id}
            ref={search}
            autoComplete="off"
            placeholder={placeholder}
            onChange={(event) => onType(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') onEscape()
            }}
            className="mt-0.5 block min-h-9 w-full rounded border bg-crust px-2 placeholder:text-silt"
          />
          <ComboboxOptions
            ref={options}
            static
            modal={false}
            aria-label={list}
            // It needs a height of its own, what is drawn follows from it; and grows with parts that say more.
            style={{ minHeight: `min(${tall}, ${ids.length * 4}rem)`, maxHeight: tall }}
            className="mt-2 overflow-y-auto"
          >
            {({ option: of }: { option: string }) =>
              ids.includes(of) ? <Option of={of} drag={dragOf(of)} onPick={onPick} /> : <Gone />
            }
          </ComboboxOptions>
          {isExplained && <InHand of={activeOption} />}
        </>
      )}
    </Combobox>
  )
})

/**
 * A field that the hand is in from the beginning of what the list is about; a list that comes a moment later does not take it
 * away from where it types by then.
 */
function useBeginning(about: string) {
  const search = useRef<HTMLInputElement>(null)
  const options = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const field = search.current
    if (!field) return
    field.value = ''
    // Under a finger it would bring up a keyboard over what was tapped.
    const isTouched = window.matchMedia?.('(pointer: coarse)').matches
    // What opens over the page is typed into at once.
    if (!isTouched && field.closest('[role=dialog]')) field.focus({ preventScroll: true })
    // With the next picture: at once everything would have to be laid out for it alone.
    const frame = requestAnimationFrame(() => {
      if (options.current) options.current.scrollTop = 0
      const typing = document.activeElement?.closest('input, textarea, select, [role=dialog]')
      if (!isTouched && !typing) field.focus({ preventScroll: true })
    })
    return () => cancelAnimationFrame(frame)
  }, [about])
  return { search, options }
}

/** What the part of a list in hand is, in a sentence: its standard term, and what it does. */
function InHand({ of }: { of: string | null }) {
  const { means } = useContext(WordsContext)
  const known = useExplained(of === null ? null : means(of))
  if (!known) return null
  return (
    <p className="mt-1 border-l-2 border-brine pl-2 text-small text-silt">
      <b className="font-semibold">{known.term}</b>: {known.plain}
    </p>
  )
}

/** While the list closes up over a part that went, there is nothing to say of it. */
function Gone() {
  return null
}

function Says({ of }: { of: string }) {
  return useContext(WordsContext).says(of)
}

/** A part of a list: picked by a click, so that it can also be dragged. */
function Option({
  of,
  drag,
  onPick,
  ...place
}: {
  of: string
  drag: string | undefined
  onPick: (id: string) => void
  /** Where the list puts it; it says more of that than is asked here. */
  style?: CSSProperties
}) {
  return (
    <ComboboxOption
      value={of}
      data-drag={drag}
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => onPick(of)}
      className="w-full border-b px-1.5 py-1.5 select-none last:border-0 data-focus:bg-glass data-focus:outline-2 data-focus:-outline-offset-2 data-focus:outline-brine"
      {...place}
    >
      <Says of={of} />
    </ComboboxOption>
  )
}
