'use client'

import type { RowId } from '@/core/plan/rows'
import { useMemo, useRef, useState } from 'react'
import { displayOf } from '@/core/camera/live/display'
import { focusWords } from '@/core/camera/live/hands'
import { focusNow, effectiveFunctionIdsOf } from '@/core/camera/live/key-presses'
import { readPlace, type Beginning } from '@/core/camera/live/address'
import { contextOf, heldFunctions, memoryPlan } from '@/core/camera/live/state'
import { finderIn } from '@/core/focus/finder'
import { heldWords } from '@/core/focus/words'
import { controlsOf } from '@/core/model/controls'
import { lookup } from '@/core/model/lookup'
import { contextIn, usualContext } from '@/core/resolve/context'
import { FacePicker } from '@/features/controls/face-picker'
import { labelsOf } from '@/features/controls/labels'
import { useDesk, useDeskView } from '@/features/desk/desk-context'
import { ShortcutList } from '@/features/desk/shortcut-list'
import { usePlaceInPage } from '@/features/desk/use-place-in-page'
import { Button } from '@/ui/button'
import { Plate } from '@/ui/plate/plate'
import { Tabs } from '@/ui/tabs'
import { Displays } from './displays'
import { HandPanel } from './hand-panel'
import { MenuChange } from './menu-change'
import { SequencePanel } from './sequence-panel'
import { StateBar } from './state-bar'
import { StoryList } from './story-list'
import { useLive } from './use-live'

const panels = { log: 'Log', hand: 'In hand', menu: 'Menu', sequence: 'Sequence' } as const

const tryKeys = [
  ['Tab', 'from key to key'],
  ['Enter', 'press the key and let it go'],
  ['H', 'hold it, or let it go: two can be down'],
  ['← →', 'turn a dial, wheel or ring by a click'],
  ['R', 'press the release through'],
  ['Escape', 'let everything go'],
] as const

const nothing: ReadonlySet<RowId> = new Set()

/** The plate’s labels are pressed as a whole, by what goes down on it. */
const pressedElsewhere = () => undefined

/** Try it: the body as a thing to use. Its keys are pressed, held and turned; it shows what it would, and says why. */
export function TryStation() {
  const { start } = useDesk()
  const { plan, side } = useDeskView()
  const { model, lenses } = start
  const usual = useMemo(
    () => usualContext(model, plan, lenses, side)?.context ?? contextIn(model, side, null),
    [model, plan, lenses, side],
  )
  const [first] = useState<Beginning>({ context: usual, held: [] })
  const { state, story, happen, press, letGo, play, startOver } = useLive(first)
  const [faceId, setFaceId] = useState(model.faces[0]?.id ?? '')
  const [panel, setPanel] = useState<keyof typeof panels>('log')
  const [control, setControl] = useState<string | null>(null)
  const pointed = useRef<{ control: string; gesture: string } | null>(null)
  usePlaceInPage((place) => startOver(readPlace(model, lenses, usual, place)))

  const outcome = focusNow(model, state)
  const display = useMemo(() => displayOf(model, state), [model, state])
  const picture = useMemo(
    () =>
      finderIn(
        model,
        memoryPlan(state),
        contextOf(state, heldFunctions(model, state, effectiveFunctionIdsOf(model, state))),
      ),
    [model, state],
  )
  const face = model.faces.find((one) => one.id === faceId) ?? model.faces[0]
  const { lens, attached } = state
  const labels = useMemo(
    () =>
      face
        ? labelsOf(
            {
              model,
              plan,
              side: state.side,
              findings: [],
              changed: nothing,
              fitted: { lens: lens ?? usual.lens, attached },
              uses: null,
            },
            face,
          )
        : [],
    [model, plan, face, state.side, lens, attached, usual.lens],
  )
  const heldControls = useMemo(() => controlsOf(model, state.held), [model, state.held])

  const handOn = (target: EventTarget | null) => {
    const element = target instanceof Element ? target.closest('[data-address], [data-control]') : null
    const address = lookup(model).addresses.get(element?.getAttribute('data-address') ?? '')
    if (address) return { control: address.control.id, gesture: address.gesture.id }
    const named = lookup(model).controls.get(element?.getAttribute('data-control') ?? '')
    const gesture = named?.gestures.find((one) => one.id !== 'turn') ?? named?.gestures[0]
    return named && gesture ? { control: named.id, gesture: gesture.id } : null
  }
  const down = (event: React.PointerEvent) => {
    const hand = handOn(event.target)
    if (!hand || event.button !== 0) return
    setControl(hand.control)
    if (hand.gesture === 'turn') return happen({ kind: 'turn', ...hand, clicks: event.shiftKey ? -1 : 1 })
    press(hand.control, hand.gesture)
    pointed.current = event.shiftKey ? null : hand
  }
  const up = () => {
    if (pointed.current) letGo(pointed.current.control, pointed.current.gesture)
    pointed.current = null
  }
  const tap = (of: string, gesture: string) => {
    press(of, gesture)
    letGo(of, gesture)
  }
  const onKey = (event: React.KeyboardEvent) => {
    const typing = event.target instanceof Element && event.target.closest('input, textarea, select')
    if (typing || event.ctrlKey || event.metaKey) return
    if (event.key === 'Escape') {
      for (const key of state.held) {
        const address = lookup(model).addresses.get(key)
        if (address) letGo(address.control.id, address.gesture.id)
      }
    }
    if (event.key.toLowerCase() === 'r') happen({ kind: 'full' })
    const hand = handOn(event.target)
    if (!hand) return
    const turns = hand.gesture === 'turn'
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      setControl(hand.control)
      if (turns) happen({ kind: 'turn', ...hand, clicks: 1 })
      else tap(hand.control, hand.gesture)
    }
    if (event.key.toLowerCase() === 'h' && !turns) press(hand.control, hand.gesture)
    if (turns && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault()
      happen({ kind: 'turn', ...hand, clicks: event.key === 'ArrowLeft' ? -1 : 1 })
    }
  }
  return (
    <main onKeyDown={onKey} className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_372px]">
      <section
        aria-label="The body"
        className="flex min-w-0 flex-col self-start border bg-sheet px-4 pt-2 pb-3 lg:sticky lg:top-3 lg:min-h-[max(560px,calc(100dvh-130px))]"
      >
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <h1 className="sr-only">Try it</h1>
          <FacePicker faces={model.faces} face={faceId} onPick={setFaceId} all={false} />
          <div className="flex-1" />
          <span className="text-silt">{state.side}</span>
          <Button onClick={() => happen({ kind: 'full' })}>Release, pressed through</Button>
          <Button onClick={() => startOver({ context: usual, held: [] })}>Start over</Button>
        </div>
        <div className="mt-2">
          <StateBar model={model} lenses={lenses} state={state} onEvent={happen} />
        </div>
        <div
          className="flex flex-1 touch-manipulation flex-col select-none"
          onPointerDown={down}
          onPointerUp={up}
          onPointerLeave={up}
        >
          {face && (
            <Plate
              face={face}
              labels={labels}
              selected={null}
              held={heldControls}
              onSelect={pressedElsewhere}
            />
          )}
        </div>
      </section>
      <aside
        aria-label="Beside the body"
        className="grid min-w-0 content-start gap-x-4 md:grid-cols-2 lg:block"
      >
        <div>
          <Displays
            display={display}
            picture={picture}
            outcome={outcome}
            words={focusWords(model, state)}
            eye={state.eye}
          />
          <p role="status" className="mt-1 mb-1 text-small">
            {state.held.length > 0 && (
              <b className="font-semibold text-pan">{heldWords(model, state.held)} down: </b>
            )}
            {focusWords(model, state)}
          </p>
        </div>
        <div className="min-w-0">
          <Tabs label="Beside the body" names={panels} picked={panel} onPick={setPanel} />
          {panel === 'log' && <StoryList story={story} />}
          {panel === 'hand' && (
            <HandPanel model={model} state={state} control={control} onEvent={happen} onTap={tap} />
          )}
          {panel === 'menu' && <MenuChange model={model} state={state} onEvent={happen} />}
          {panel === 'sequence' && <SequencePanel story={story} onPlay={play} />}
        </div>
      </aside>
      <ShortcutList keys={tryKeys} />
    </main>
  )
}
