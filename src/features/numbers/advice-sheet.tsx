'use client'

import { Undo2 } from 'lucide-react'
import type { Advice, AdviceFact, AdviceOption } from '@/core/advise/advise'
import type { Weighed } from '@/core/advise/weighed'
import { factForm } from '@/core/advise/fact-forms'
import { useDesk } from '@/features/desk'
import { Button } from '@/ui/button'
import { Select } from '@/ui/select'
import { TextLink } from '@/ui/text-link'
import { SheetFrame } from './sheet-frame'
import type { Numbers } from './use-numbers'

/** A choice in hand: every option with what speaks for it and against it here, what that goes by, and what owners think. */
export function AdviceSheet({ numbers }: { numbers: Numbers }) {
  const { adviser, advice, isKnown, place } = numbers
  if (!adviser) return null
  return (
    <SheetFrame
      name={adviser.name}
      asks={`${adviser.asks}${advice && advice.place !== place ? ` Asked in ${advice.placeName}.` : ''}`}
    >
      {advice ? (
        <Options advice={advice} onTake={numbers.take} />
      ) : (
        <p className="mt-3 text-silt">
          {isKnown ? 'This camera has nothing to choose there, or it is being weighed …' : 'Being weighed …'}
        </p>
      )}
      {advice && (
        <div className="mt-4 grid gap-x-8 gap-y-4 border-t pt-3 md:grid-cols-2">
          <Facts advice={advice} numbers={numbers} />
          <Schools advice={advice} />
        </div>
      )}
    </SheetFrame>
  )
}

/** Every option side by side, the one named first with its reason. */
export function Options({ advice, onTake }: { advice: Advice; onTake: (option: AdviceOption) => void }) {
  const [first] = advice.options
  return (
    <>
      {advice.idle !== null && (
        <p className="mt-3 text-lichen">
          Whichever you take does nothing as the camera stands: {advice.idle}
        </p>
      )}
      {advice.because !== null && first && (
        <p className="mt-3">
          <b className="font-semibold">{first.name} is named first here.</b> {advice.because}
        </p>
      )}
      <ul aria-label="Options" className="mt-3 grid gap-3 sm:grid-cols-[repeat(auto-fit,minmax(210px,1fr))]">
        {advice.options.map((option, i) => (
          <Option key={option.id} option={option} isFirst={i === 0} advice={advice} onTake={onTake} />
        ))}
      </ul>
    </>
  )
}

function Option({
  option,
  isFirst,
  advice: { settings, unit },
  onTake,
}: {
  option: AdviceOption
  isFirst: boolean
  advice: Advice
  onTake: (option: AdviceOption) => void
}) {
  const { planId } = useDesk().start
  const { name, isNow, cannot, weighs, balance, rows } = option
  const canBeTaken = !isNow && cannot === null && Object.keys(rows).length > 0
  return (
    <li
      aria-label={name}
      className={`flex flex-col border p-3 ${isFirst && cannot === null ? 'border-brine' : ''}`}
    >
      <h3 className="leading-tight font-semibold">{name}</h3>
      <p className="text-small text-silt">
        {isNow ? 'as planned' : 'not in the plan'}
        {cannot === null && ` · ${balanceWords(balance, unit)}`}
      </p>
      {cannot !== null && <p className="mt-1 text-small text-rust">Cannot be had here: {cannot}</p>}
      <ul className="mt-2 grid gap-1.5">
        {weighs.map((one) => (
          <Weight key={`${one.by} ${one.words}`} weighed={one} />
        ))}
        {weighs.length === 0 && cannot === null && (
          <li className="text-small text-silt">Nothing speaks for it or against it here.</li>
        )}
      </ul>
      <p className="mt-auto flex flex-wrap items-center gap-x-4 gap-y-1 pt-3">
        {canBeTaken && (
          <Button main={isFirst} onClick={() => onTake(option)}>
            Take it
          </Button>
        )}
        {settings[0] !== undefined && (
          <TextLink href={`/plans/${planId}/settings#${settings[0]}`} className="pointer-coarse:py-2.5">
            In the menu
          </TextLink>
        )}
      </p>
    </li>
  )
}

function Weight({ weighed: { points, words, by } }: { weighed: Weighed }) {
  const [tone, spoken] =
    points > 0
      ? ['text-samphire', 'for it']
      : points < 0
        ? ['text-lichen', 'against it']
        : ['text-silt', 'to know']
  return (
    <li className="grid grid-cols-[2.75rem_1fr] text-small leading-snug">
      <span className={`font-mono font-semibold tabular-nums ${tone}`}>
        {points === 0 ? <span aria-hidden="true">·</span> : signed(points)}
        <span className="sr-only"> {spoken}:</span>
      </span>
      <span>
        {words}
        {by !== '' && <span className="text-silt"> {by}.</span>}
      </span>
    </li>
  )
}

/** What it goes by: said by the plan and the work, or supposed here. */
function Facts({ advice: { facts }, numbers: { typed, type } }: { advice: Advice; numbers: Numbers }) {
  return (
    <div>
      <h3 className="text-small font-semibold text-silt">What it goes by</h3>
      <p className="text-small text-silt">
        Suppose otherwise, and see what changes. It is said for good at Foundation.
      </p>
      <ul className="mt-1.5 grid gap-1.5">
        {facts.map((fact) => (
          <Fact
            key={fact.id}
            fact={fact}
            isSupposed={typed[fact.id] !== undefined}
            onSuppose={(value) => type(fact.id, value)}
          />
        ))}
      </ul>
    </div>
  )
}

function Fact({
  fact: { id, name, value, from },
  isSupposed,
  onSuppose,
}: {
  fact: AdviceFact
  isSupposed: boolean
  onSuppose: (value: string | null) => void
}) {
  const values = Object.entries(factForm(id)?.values ?? {})
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,13rem)] items-center gap-x-3">
      <span className="leading-tight">
        {name}
        {isSupposed ? (
          <button
            type="button"
            onClick={() => onSuppose(null)}
            className="flex min-h-6 items-center gap-1 text-small text-brine hover:underline pointer-coarse:min-h-11"
          >
            <Undo2 size={13} aria-hidden="true" /> as it is said
          </button>
        ) : (
          from !== '' && <span className="block text-small text-silt">{from}</span>
        )}
      </span>
      <Select
        label={name}
        value={value ?? ''}
        options={[...(value === null ? [['', 'not said'] as const] : []), ...values]}
        onPick={(next) => onSuppose(next === '' ? null : next)}
        className="min-h-9 w-full min-w-0 rounded-md border bg-crust px-2 pointer-coarse:min-h-11"
      />
    </li>
  )
}

function Schools({ advice: { schools } }: { advice: Advice }) {
  return (
    <div>
      {schools.length > 0 && (
        <>
          <h3 className="text-small font-semibold text-silt">Owners differ</h3>
          <ul className="mt-1 grid gap-1.5">
            {schools.map(({ name, reason, isYours }) => (
              <li key={name}>
                <b className="font-semibold">{name}</b>
                {isYours && <span className="text-samphire"> ✓ yours</span>}
                <span className="block text-small">{reason}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="mt-3 text-small font-semibold text-silt">How it is weighed</h3>
      <p className="text-small">
        What speaks for an option counts up, what speaks against it down: 1 tips the scale, 3 counts, 6
        decides. The weights are our own; each stands beside its reason, so that you can weigh it otherwise.
      </p>
    </div>
  )
}

function balanceWords(balance: number, unit: Advice['unit']): string {
  if (unit === 'points') return `balance ${signed(balance)}`
  return balance > 0
    ? `saves ${balance} s an outing`
    : balance < 0
      ? `costs ${-balance} s an outing`
      : 'saves nothing'
}

function signed(points: number): string {
  return points > 0 ? `+${points}` : points < 0 ? `−${-points}` : '0'
}
