'use client'

import type { FilmFormat } from '@/core/advise/formats'
import { useAnswer } from '@/features/desk'
import { Offer } from '@/ui/button'
import { SheetFrame } from './sheet-frame'
import type { Numbers } from './use-numbers'

const columns =
  'md:grid md:grid-cols-[minmax(6.5rem,1fr)_3rem_7rem_4.5rem_5rem_4rem_minmax(11rem,2.4fr)] md:gap-x-3'

/** Every film format side by side: what it writes, how long a card lasts, and what it excludes. */
export function FormatsSheet({ numbers: { place, take } }: { numbers: Numbers }) {
  const here = useAnswer<'formats'>({ kind: 'formats', place })
  return (
    <SheetFrame
      name="Film formats side by side"
      asks={`What each writes, how long your card lasts, what has to be switched first, and what no longer goes with it.${here && here.place !== place ? ` Asked in ${here.placeName}.` : ''}`}
    >
      {here !== null && here.withNone.length > 0 && (
        <p className="mt-1.5">
          With none of them as the camera stands: <b className="font-semibold">{here.withNone.join('; ')}</b>.
        </p>
      )}
      {here === null ? (
        <p className="mt-3 text-silt">This camera does not film, or its formats are being looked at …</p>
      ) : (
        <div role="table" aria-label="Film formats" className="mt-3 text-[14px]">
          <div role="row" className={`hidden border-b pb-1 text-small font-semibold text-silt ${columns}`}>
            {['Resolution', 'Rate', 'Bitrate', 'An hour', 'Your card', 'Slower', 'Here'].map((name, i) => (
              <span key={name} role="columnheader" className={i > 0 && i < 6 ? 'text-right' : ''}>
                {name}
              </span>
            ))}
          </div>
          {here.formats.map((format) => (
            <FormatRow key={format.id} format={format} onTake={() => take(format)} />
          ))}
        </div>
      )}
    </SheetFrame>
  )
}

const amount = 'block font-mono tabular-nums max-md:inline max-md:mr-3 md:text-right'

function FormatRow({ format, onTake }: { format: FilmFormat; onTake: () => void }) {
  const { size, rate, codec, bitrate, hourly, onCard, slower, isWideEnough, isNow } = format
  return (
    <div role="row" className={`border-b py-1.5 ${isNow ? 'bg-crust' : ''} ${columns}`}>
      <span role="cell" className="block font-semibold">
        {size} <span className="text-small font-normal text-silt">{codec}</span>
        {isWideEnough === false && (
          <span className="block text-small font-normal text-lichen">narrower than delivered</span>
        )}
      </span>
      <span role="cell" className={amount}>
        {rate}
      </span>
      <span role="cell" className={amount}>
        {bitrate} Mbit/s
      </span>
      <span role="cell" className={amount}>
        {hourly}
        <span className="md:hidden"> an hour</span>
      </span>
      <span role="cell" className={amount}>
        {onCard === null ? <span className="text-silt max-md:hidden">not said</span> : onCard.words}
        {onCard !== null && <span className="md:hidden"> on your card</span>}
        {onCard?.keepsUp === false && (
          <span className="block text-small text-lichen max-md:inline"> ▲ card too slow</span>
        )}
      </span>
      <span role="cell" className={amount}>
        {slower ?? <span className="text-silt max-md:hidden">no</span>}
        {slower !== null && <span className="md:hidden"> slower</span>}
      </span>
      <Here format={format} onTake={onTake} />
    </div>
  )
}

/** How it is had as the camera stands, and what goes with it. */
function Here({ format, onTake }: { format: FilmFormat; onTake: () => void }) {
  const { isNow, because, first, cannot, excludes, costs } = format
  return (
    <div role="cell" className="grid gap-0.5 leading-snug">
      {isNow ? (
        <b className="font-semibold text-brine">● as planned</b>
      ) : cannot !== null ? (
        <span>
          <b className="font-semibold text-rust">✕ cannot be had.</b> {cannot}
        </span>
      ) : (
        <span>
          {first.length === 0 ? '○ can be chosen' : `○ first ${first.join(', then ')}`}{' '}
          <Offer onClick={onTake}>Take it</Offer>
        </span>
      )}
      {cannot === null && because.length > 0 && <span className="text-small text-silt">{because[0]}</span>}
      {excludes.length > 0 && (
        <span className="text-small text-silt">
          Not with {excludes.map(({ words }) => words).join('; ')}.
        </span>
      )}
      {costs.map((words) => (
        <span key={words} className="text-small text-lichen">
          ▲ {words}
        </span>
      ))}
    </div>
  )
}
