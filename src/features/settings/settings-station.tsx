'use client'

import { Search } from 'lucide-react'
import { memo, type KeyboardEvent } from 'react'
import { lineOnly, type LineOnly } from '@/core/settings/filter'
import { lineStates, stateWords, type LineState } from '@/core/settings/standing'
import { subjects } from '@/core/vocabulary/subjects'
import { ShortcutList } from '@/features/desk'
import { Beside } from '@/ui/beside'
import { Button, Offer } from '@/ui/button'
import { Select } from '@/ui/select'
import { EnablingList } from './enabling-list'
import { LineList } from './line-list'
import { LinePanel, LineValues } from './line-panel'
import { StateSign } from './state-sign'
import { everything, useSettingsStation, type Narrowing, type SettingsKnown } from './use-settings-station'

const settingsKeys = [
  ['↑ ↓', 'from line to line; Page Up and Page Down ten at once'],
  ['Enter', 'to the value of the line in hand; Escape back to the list'],
  ['L', 'left as delivered, on purpose, and on to the next line'],
  ['N', 'not in my work, and on to the next line'],
  ['U', 'not looked at'],
  ['J', 'the next line not looked at'],
  ['/', 'to the search'],
] as const

/** The Settings station: the whole menu in the camera’s own order, and what the plan says of every line. */
export function SettingsStation() {
  const known = useSettingsStation()
  return (
    <main className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_384px]">
      <section
        aria-label="The menu"
        onPointerEnter={LineValues.come}
        onFocus={LineValues.come}
        className="min-w-0 self-start border bg-sheet px-4 pt-2 pb-3"
      >
        <Head known={known} />
        {known.narrowing.only === 'enabling' && <EnablingList known={known} />}
        <LineList known={known} onKey={(event) => press(known, event)} />
      </section>
      <Beside
        label="Beside the menu"
        inHand={known.inHand && `[data-line="${known.inHand}"]`}
        onClose={() => known.take(null)}
      >
        <div className="lg:sticky lg:top-2 lg:max-h-[calc(100dvh-1rem)] lg:overflow-y-auto">
          <LinePanel known={known} onBack={(from) => goTo(from, `[data-line="${known.inHand ?? ''}"]`)} />
        </div>
      </Beside>
      <ShortcutList keys={settingsKeys} />
    </main>
  )
}

/** Puts the hand on something else of the station; what comes a moment later is waited for. */
function goTo(from: HTMLElement, selector: string, tries = 20): void {
  const there = from.closest('main')?.querySelector<HTMLElement>(selector)
  if (there) there.focus()
  else if (tries > 0) setTimeout(() => goTo(from, selector, tries - 1), 50)
}

/** What the keys of the list do. */
function press(known: SettingsKnown, event: KeyboardEvent<HTMLElement>): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const { currentTarget: list, target } = event
  const line = target instanceof HTMLElement ? target.dataset.line : undefined
  // A line that is not in hand yet is taken by Enter, and a button in the heading of a page is pressed, as any other.
  if (event.key === 'Enter' && (line === undefined || line !== known.inHand)) return
  const acts: Readonly<Record<string, () => void>> = {
    ArrowDown: () => known.move(1),
    ArrowUp: () => known.move(-1),
    PageDown: () => known.move(10),
    PageUp: () => known.move(-10),
    Home: () => known.move(-Infinity),
    End: () => known.move(Infinity),
    Enter: () => goTo(list, '[data-cell] input, [data-cell] summary, [data-cell] select'),
    l: () => known.sayAndGoOn('left'),
    n: () => known.sayAndGoOn('not-mine'),
    u: () => known.inHand !== null && known.say([known.inHand], null),
    j: known.goToOpen,
    Escape: () => known.take(null),
    '/': () => goTo(list, 'input[type=search]'),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
}

/** How a choice that narrows the list looks. */
const narrows = 'min-h-9 min-w-0 max-w-56 rounded-md border bg-sheet px-2 max-sm:flex-1'

/** What narrows the list. */
type Narrows = Pick<SettingsKnown, 'narrow'>

/** How far the pass through the menu is, and what narrows the list. */
function Head({ known }: { known: SettingsKnown }) {
  const { counts, all, narrowing, narrow, lines, goToOpen } = known
  const looked = all - counts.open
  return (
    <header className="grid gap-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="font-head text-title font-semibold">Settings</h1>
        <p className="flex items-center gap-2 max-sm:text-small">
          <span
            role="progressbar"
            aria-label="Lines looked at"
            aria-valuenow={looked}
            aria-valuemin={0}
            aria-valuemax={all}
            className="h-1.5 w-28 rounded-full bg-rule max-sm:hidden"
          >
            <span
              className="block h-full rounded-full bg-samphire"
              style={{ width: `${(100 * looked) / all}%` }}
            />
          </span>
          <span className="tabular-nums">
            {counts.open === 0 ? `all ${all} looked at` : `${looked} of ${all} looked at`}
          </span>
        </p>
        <Button
          aria-label="Next not looked at"
          className="ml-auto"
          disabled={counts.open === 0}
          onClick={goToOpen}
        >
          Next <span className="max-sm:hidden">not looked at</span>
        </Button>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <span className="relative min-w-40 flex-auto max-sm:basis-full">
          <Search size={15} aria-hidden="true" className="absolute top-2.5 left-2 text-silt" />
          <input
            type="search"
            aria-label="Find a line by any word"
            placeholder="Find a line by any word"
            value={narrowing.words}
            onFocus={known.comeToSearch}
            onChange={(event) => narrow({ words: event.target.value })}
            onKeyDown={(event) => {
              if (event.key !== 'ArrowDown' && event.key !== 'Enter') return
              event.preventDefault()
              const [first] = lines
              if (first) known.take(first.id)
            }}
            className="min-h-9 w-full rounded-md border bg-crust pr-2 pl-7 placeholder:text-silt"
          />
        </span>
        <Subject subject={narrowing.subject} narrow={narrow} />
        <Only only={narrowing.only} need={narrowing.need} situations={known.situations} narrow={narrow} />
      </div>
      <States
        counts={counts}
        all={all}
        state={narrowing.state}
        isNarrowed={Object.values(narrowing).some((one) => one !== '')}
        narrow={narrow}
      />
    </header>
  )
}

// What stands above the list besides the search is not drawn anew for each letter typed there.

/** Narrows the list to one subject. */
const Subject = memo(function Subject({ subject, narrow }: { subject: string } & Narrows) {
  return (
    <Select
      label="Subject"
      value={subject}
      options={[['', 'The whole menu'], ...subjects.map(({ id, name }) => [id, name] as const)]}
      onPick={(picked) => narrow({ subject: picked })}
      className={narrows}
    />
  )
})

/** Narrows the list to lines of one kind, or to what a situation needs. */
const Only = memo(function Only({
  only: chosen,
  need: needed,
  situations,
  narrow,
}: Pick<Narrowing, 'only' | 'need'> & Pick<SettingsKnown, 'situations'> & Narrows) {
  const kinds = Object.entries(lineOnly).map(([id, words]) => ({
    id: `only ${id}`,
    words,
    only: id as LineOnly,
    need: '',
  }))
  const needs = situations.map(({ id, name }) => ({
    id: `need ${id}`,
    words: `Needed: ${name}`,
    only: '' as const,
    need: id,
  }))
  const all = [{ id: '', words: 'All lines', only: '' as const, need: '' }, ...kinds, ...needs]
  const now = all.find(({ only, need }) => only === chosen && need === needed)
  return (
    <Select
      label="Which lines"
      value={now?.id ?? ''}
      options={all.map(({ id, words }) => [id, words] as const)}
      onPick={(picked) => {
        const found = all.find(({ id }) => id === picked)
        if (found) narrow({ only: found.only, need: found.need })
      }}
      className={narrows}
    />
  )
})

/** The states a line can stand in, each with how many do; one narrows the list to those. */
const States = memo(function States({
  counts,
  all,
  state: chosen,
  isNarrowed,
  narrow,
}: Pick<SettingsKnown, 'counts' | 'all'> & { state: LineState | ''; isNarrowed: boolean } & Narrows) {
  const chip =
    'inline-flex min-h-8 shrink-0 items-center gap-1.5 border-b-2 border-transparent px-1 text-small pointer-coarse:min-h-11 aria-pressed:border-brine aria-pressed:font-semibold hover:border-rule'
  return (
    <div
      role="group"
      aria-label="Where lines stand"
      className="-mx-4 flex gap-x-3 overflow-x-auto px-4 [scrollbar-width:none]"
    >
      <button
        type="button"
        aria-pressed={chosen === ''}
        onClick={() => narrow({ state: '' })}
        className={chip}
      >
        all <span className="text-silt tabular-nums">{all}</span>
      </button>
      {[...lineStates].reverse().map((state) => (
        <button
          key={state}
          type="button"
          aria-label={`${stateWords[state]}, ${counts[state]}`}
          aria-pressed={chosen === state}
          onClick={() => narrow({ state: chosen === state ? '' : state })}
          className={chip}
        >
          <StateSign state={state} /> <span className="text-silt tabular-nums">{counts[state]}</span>
        </button>
      ))}
      {isNarrowed && (
        <Offer className="ml-auto min-h-8 shrink-0 text-small" onClick={() => narrow(everything)}>
          Show all lines
        </Offer>
      )}
    </div>
  )
})
