'use client'

import type { StoryLine } from '@/core/camera/live/in-hand'
import { heldWords } from '@/core/focus/words'
import { FacePicker } from '@/features/plates'
import { ShortcutList } from '@/features/desk'
import { later } from '@/ui/later'
import { Button } from '@/ui/button'
import { Plate } from '@/ui/plate/plate'
import { Tabs } from '@/ui/tabs'
import { useShared } from '@/ui/use-shared'
import { Displays } from './displays'
import { HandPanel } from './hand-panel'
import { SequencePanel } from './sequence-panel'
import { StateBar, surroundingsOf } from './state-bar'
import { StoryList } from './story-list'
import { panels, useTryStation, type TryKnown } from './use-try-station'

const ProcedurePanel = later(() => import('./procedure-panel').then((one) => one.ProcedurePanel))
const MenuChange = later(() => import('./menu-change').then((one) => one.MenuChange))

const tryKeys = [
  ['Tab', 'from key to key'],
  ['Enter', 'press the key and let it go'],
  ['H', 'hold it, or let it go: two can be down'],
  ['← →', 'turn a dial, wheel or ring by a click'],
  ['R', 'full press of the shutter button'],
  ['Escape', 'let everything go'],
] as const

const noStory: readonly StoryLine[] = []

/** The plate’s labels are pressed as a whole, by what goes down on it. */
const pressedElsewhere = () => undefined

/** Try it: the body as a thing to use. Its keys are pressed, held and turned; it shows what it would, and says why. */
export function TryStation() {
  const known = useTryStation()
  const { model, seen } = known
  return (
    <main onKeyDown={known.onKeyDown} className="grid gap-4 px-5 py-3 lg:grid-cols-[minmax(0,1fr)_372px]">
      <TheBody known={known} />
      <aside
        aria-label="Beside the body"
        className="grid min-w-0 content-start gap-x-4 md:grid-cols-2 lg:block"
      >
        {seen ? (
          <div>
            <Displays seen={seen} />
            <p role="status" className="mt-1 mb-1 text-small">
              {seen.held.length > 0 && (
                <b className="font-semibold text-pan">{heldWords(model, seen.held)} down: </b>
              )}
              <span className={seen.held.length > 0 ? '' : 'inline-block first-letter:uppercase'}>
                {seen.words}
              </span>
            </p>
          </div>
        ) : (
          <p role="status" className="min-h-85 text-silt">
            The body is being set up …
          </p>
        )}
        <BesideBody known={known} />
      </aside>
      <ShortcutList keys={tryKeys} />
    </main>
  )
}

/** The plate that is pressed, and what stands around the body: lens, dials, levers. */
function TheBody({ known }: { known: TryKnown }) {
  const { model, lenses, body, seen, startOver, faceId, pickFace, face, labels, lit } = known
  const stands = useShared(seen && surroundingsOf(model, seen))
  return (
    <section
      aria-label="The body"
      className="flex min-w-0 flex-col self-start border bg-sheet px-4 pt-2 pb-3 lg:sticky lg:top-3 lg:min-h-[max(560px,calc(100dvh-130px))]"
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h1 className="sr-only">Try it</h1>
        <FacePicker faces={model.faces} face={faceId} onPick={pickFace} all={false} />
        <div className="flex-1" />
        <span className="text-silt">{seen?.side}</span>
        <Button onClick={() => body.happen({ kind: 'full' })}>Full press</Button>
        <Button onClick={startOver}>Start over</Button>
      </div>
      <div className="mt-2 min-h-21">
        {stands && <StateBar model={model} lenses={lenses} stands={stands} onEvent={body.happen} />}
      </div>
      <div
        className="flex flex-1 touch-manipulation flex-col select-none"
        onPointerDown={known.onPointerDown}
        onPointerUp={known.onPointerUp}
        onPointerLeave={known.onPointerUp}
      >
        {face && <Plate face={face} labels={labels} selected={null} held={lit} onSelect={pressedElsewhere} />}
      </div>
    </section>
  )
}

function BesideBody({ known }: { known: TryKnown }) {
  const { model, body, seen, control, tap, panel, pickPanel } = known
  const { happen, play } = body
  const story = seen?.story ?? noStory
  return (
    <div className="min-w-0">
      <Tabs label="Beside the body" names={panels} picked={panel} onPick={pickPanel}>
        {panel === 'log' && <StoryList story={story} />}
        {panel === 'hand' && seen && (
          <HandPanel model={model} seen={seen} control={control} onEvent={happen} onTap={tap} />
        )}
        {panel === 'menu' && seen && <MenuChange model={model} seen={seen} onEvent={happen} />}
        {panel === 'procedure' && <ProcedurePanel known={known} />}
        {panel === 'sequence' && <SequencePanel story={story} onPlay={play} />}
      </Tabs>
    </div>
  )
}
