'use client'

import { useState } from 'react'
import { isReadyToTick, saidOf, standingOf } from '@/core/procedures/progress'
import { DocumentNotices, Saving, UndoRedo, usePartOf } from '@/features/documents'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { ActInHand } from './act-in-hand'
import { FileTaskPanel } from './file-task'
import { LimitsTask } from './limits-task'
import { MovedOn } from './moved-on'
import type { WalkStart } from './start'
import { useAwake, useWalk, walkWords } from './use-walk'
import { WalkList } from './walk-list'
import { WalkEnd } from './walk-end'

/** A walk: one act at a time, large, beside the camera; or all of them as a list. */
export function Walk({ start, isCopy = false }: { start: WalkStart; isCopy?: boolean }) {
  const walking = useWalk(start, isCopy)
  const { desk, walk, progress, act, at, gates, refusal } = walking
  const [view, setView] = useState<'one' | 'list'>('one')
  const words = walkWords(start.acts)
  const over = progress.total - progress.open - progress.anew
  const saving = usePartOf(desk, 'saving')
  useAwake(view === 'one' && start.endedAt === null)
  if (!walking.isWhole) return null
  return (
    <main className="list-on-paper mx-auto flex min-h-[calc(100dvh-3.3rem)] w-full max-w-2xl flex-col gap-3 px-4 pt-3 pb-2 print:max-w-none">
      <header className="grid gap-1">
        <p className="text-small text-silt">
          <a href={`/plans/${start.planId}/prove`} className="underline decoration-rule underline-offset-3">
            {start.title}
          </a>
          {start.body === null ? ` · ${start.model}` : ` · ${start.body}`}
          {start.revision === null ? ' · draft' : ` · revision ${start.revision}`}
        </p>
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h1 className="font-head text-title font-semibold">{start.name}</h1>
          <span className="text-silt tabular-nums">
            {over} of {progress.total}
          </span>
        </div>
        <Bar over={over} total={progress.total} />
      </header>
      <div className="-mx-4 empty:hidden">
        <DocumentNotices desk={desk} words={words} before={<MovedOn start={start} />} />
      </div>
      {start.endedAt !== null ? (
        <WalkEnd start={start} walk={walk} progress={progress} />
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-2 print:hidden">
            <Button onClick={() => setView(view === 'one' ? 'list' : 'one')}>
              {view === 'one' ? 'List' : 'One at a time'}
            </Button>
            {view === 'list' && <Button onClick={() => window.print()}>Print</Button>}
            <span className="ml-auto flex items-center gap-2 text-small text-silt">
              <Saving desk={desk} />
              <UndoRedo desk={desk} describe={words.describeStep} />
            </span>
          </div>
          {refusal && view === 'one' && <RefusalNote refusal={refusal} />}
          {view === 'list' ? (
            <WalkList
              start={start}
              walk={walk}
              refusal={refusal}
              onSay={walking.say}
              onGoTo={(id) => {
                walking.goTo(id)
                setView('one')
              }}
            />
          ) : act ? (
            <ActInHand
              key={act.id}
              start={start}
              act={act}
              at={at}
              gates={gates}
              standing={standingOf(walk, act)}
              said={saidOf(walk, act.id)}
              next={start.acts[at + 1] ?? null}
              isReady={isReadyToTick(walk, act)}
              files={
                act.writes === 'iso-limits' ? (
                  <LimitsTask start={start} isSaved={saving === 'saved'} />
                ) : (
                  <FileTaskPanel
                    start={start}
                    act={act}
                    walk={walk}
                    onKeep={walking.keepFile}
                    onSay={walking.say}
                    onGoTo={walking.goTo}
                  />
                )
              }
              onSay={walking.say}
              onGoPast={walking.goPast}
              onGoTo={walking.goTo}
              onBack={walking.back}
              onOn={walking.on}
            />
          ) : (
            <WalkEnd start={start} walk={walk} progress={progress} />
          )}
        </>
      )}
    </main>
  )
}

function Bar({ over, total }: { over: number; total: number }) {
  const share = total === 0 ? 0 : (100 * over) / total
  return (
    <div
      role="progressbar"
      aria-label="Acts that are over"
      aria-valuenow={over}
      aria-valuemin={0}
      aria-valuemax={total}
      className="h-1.5 overflow-hidden rounded-full bg-rule print:hidden"
    >
      <div className="h-full bg-samphire" style={{ width: `${share}%` }} />
    </div>
  )
}
