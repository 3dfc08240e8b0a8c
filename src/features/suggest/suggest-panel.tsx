'use client'

import { blockedIn } from '@/core/reach/report'
import { termOf } from '@/core/vocabulary/terms'
import type { Assumed } from '@/core/suggest/assumed'
import { SettingLabel, useDesk, useReach, ValueField } from '@/features/desk'
import { Button } from '@/ui/button'
import { Check } from '@/ui/check'
import { NumberField } from '@/ui/number-field'
import { AgreeWith } from './agree-with'
import { Answer } from './answer'
import { Progress } from './progress'
import { useSuggestPanel } from './use-suggest-panel'

/** Asks for the best arrangement of keys and menus, shows what one, two, three … changes save, and takes all or some. */
export function SuggestPanel({
  only,
  onGo,
}: {
  /** Fills the menus alone and leaves the keys as they are. */
  only?: 'menus'
  onGo: (address: string) => void
}) {
  const known = useSuggestPanel(only)
  const { run, seconds, locked, forbidden } = known
  if (!known.hasNeeds)
    return (
      <p className="text-silt">
        A suggestion weighs what you adjust, and nothing is said of that yet. Choose what you shoot, above.
      </p>
    )
  return (
    <div className="grid gap-3">
      <section>
        <h2 className="font-head text-lead font-semibold">
          {only ? 'Fill from the gaps' : 'The best arrangement'}
        </h2>
        <p className="mt-1 text-silt">
          {only
            ? 'What your keys do not reach, put where it costs the fewest presses; the keys stay as they are.'
            : 'Keys, function menus and own menu together, so that your needs cost the fewest seconds an outing.'}{' '}
          What is proven is the sum of seconds for your needs, your times and your weights.
          {locked + forbidden > 0 && ` Heeds ${locked} locked and ${forbidden} forbidden.`}
        </p>
        <LeftOut />
        <AssumedModes assumed={known.assumed} />
        {!only && <AgreeWith planId={known.planId} onChoose={known.setAgreement} />}
        {!only && (
          <Check checked={known.letGo} onChange={() => known.setLetGo(!known.letGo)} className="mt-2">
            Keys I focus, record and open the menu with may change, too
          </Check>
        )}
        <p className="mt-2 flex items-center gap-2">
          {run?.running ? (
            <Button onClick={known.stop}>Stop</Button>
          ) : (
            <Button main onClick={() => void known.ask()}>
              {only ? 'Fill' : 'Suggest'}
              {run ? ' again' : ''}
            </Button>
          )}
          <span className="text-small text-silt">
            <NumberField
              label="Seconds at most"
              value={seconds}
              from={1}
              to={600}
              onKeep={(value) => known.setSeconds(value ?? 20)}
              className="w-12"
            />{' '}
            s at most
          </span>
        </p>
      </section>
      {run && <Progress run={run} seconds={seconds} />}
      {run && run.curve.length > 0 && <Answer run={run} onGo={onGo} />}
    </div>
  )
}

/** Modes that the plan does not say: what they are reckoned with, to be said otherwise. */
function AssumedModes({ assumed }: { assumed: readonly Assumed[] }) {
  const desk = useDesk()
  if (assumed.length === 0) return null
  return (
    <div className="mt-2 border-l-2 border-lichen pl-2 text-small">
      <p>Functions are weighed in the modes you work in. Say them where this is wrong:</p>
      {assumed.map(({ row, side, setting, value }) => (
        <p key={row} className="mt-1 flex items-center justify-between gap-2">
          <span>
            <SettingLabel setting={setting} />, {side}
          </span>
          <ValueField
            setting={setting}
            label={`${setting.label}, ${side}`}
            value={value}
            inherits="not planned"
            onKeep={(chosen) => chosen !== null && desk.set({ [row]: chosen })}
            className="w-36"
          />
        </p>
      ))}
    </div>
  )
}

/** What is needed and left out of the reckoning, because nothing sets it as the camera stands. */
function LeftOut() {
  const report = useReach()
  const blocked = report ? blockedIn(report) : []
  if (blocked.length === 0) return null
  return (
    <p className="mt-1 border-l-2 border-lichen pl-2 text-small">
      Left out:{' '}
      {blocked.map(({ what, because }) => `${termOf(what)} (${because.replace(/\.$/, '')})`).join('; ')}.
    </p>
  )
}
