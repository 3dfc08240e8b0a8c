'use client'

import type { Shown } from '@/core/camera/live/display'
import type { Seen } from '@/core/camera/live/seen'
import { FinderDrawing } from '@/ui/finder/finder-drawing'

/** What the eye would see: the finder, and the rear screen below it; the one not looked at is dark. */
export function Displays({ seen: { display, picture, outcome, words, eye } }: { seen: Seen }) {
  const { on, place, recording, line, more, list } = display
  return (
    <section aria-label="What the camera shows" className="border bg-sheet p-2">
      <div className={on ? '' : 'opacity-25'}>
        <FinderDrawing picture={on ? picture : null} does={outcome.does} words={words} />
      </div>
      <p className="mt-1 flex items-baseline gap-3 font-mono text-[15px] whitespace-nowrap">
        {on ? (
          <>
            {line.map((one) => (
              <Part key={one.label} part={one} />
            ))}
            {recording && <span className="ml-auto font-semibold text-pan">● recording</span>}
          </>
        ) : (
          <span className="text-silt">The camera is off.</span>
        )}
      </p>
      <div
        role="group"
        aria-label="Rear screen"
        className={`mt-2 rounded-lg border-2 px-3 py-2 ${eye ? 'border-rule text-silt' : 'border-ink'}`}
      >
        <p className="flex items-baseline justify-between gap-2">
          <b className="font-semibold">{place}</b>
          <span className="text-small text-silt">{eye ? 'rear screen, dark now' : 'rear screen'}</span>
        </p>
        {on && (
          <dl className="grid grid-cols-2 gap-x-3 gap-y-0.5">
            {more.map(({ label, value, because }) => (
              <div
                key={label}
                className="min-w-0 leading-snug"
                title={because ? `${label}: ${because}` : label}
              >
                <dt className="truncate text-small text-silt">{label}</dt>
                <dd className={`font-mono text-small ${because ? 'text-lichen' : ''}`}>{value}</dd>
              </div>
            ))}
          </dl>
        )}
        {list && (
          <p role="status" className="mt-1 bg-blush px-2 py-0.5 text-pan">
            {list.label}: {list.at}. The next turn chooses.
          </p>
        )}
      </div>
    </section>
  )
}

function Part({ part: { label, value, because } }: { part: Shown }) {
  return (
    <span title={because ? `${label}: ${because}` : label} className={because ? 'text-lichen' : ''}>
      <span className="sr-only">{label} </span>
      {value}
    </span>
  )
}
