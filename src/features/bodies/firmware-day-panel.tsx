'use client'

import Link from 'next/link'
import { useState } from 'react'
import { Check as CheckMark, OctagonX } from 'lucide-react'
import type { FirmwareDay } from '@/core/camera/firmware-day'
import { BeginWalk } from '@/features/walk'
import { Button } from '@/ui/button'
import { Check } from '@/ui/check'
import { NamedSelect } from '@/ui/select'
import { useFetched } from '@/ui/use-fetched'
import type { BenchBody } from './bench-body'

/** A day of an update: which gates stand open, what it brings and takes, what to look at again, and how what the body holds comes back. */
export function FirmwareDayPanel({ body, act }: { body: BenchBody; act: (order: object) => Promise<void> }) {
  const newer = body.firmwares.slice(body.firmwares.indexOf(body.firmware) + 1)
  const [to, setTo] = useState('')
  const [anyway, setAnyway] = useState(false)
  const chosen = newer.includes(to) ? to : ''
  const day = useFetched<FirmwareDay>(
    chosen === ''
      ? null
      : `/api/bodies/${body.id}/firmware?to=${encodeURIComponent(chosen)}&at=${body.battery} ${body.cardFiles.length}`,
  )
  const shut = day.value?.gates.filter(({ isOpen, name }) => !isOpen && !(anyway && name === 'Files saved'))
  return (
    <div className="grid gap-2">
      <NamedSelect
        label="Firmware"
        value={chosen}
        options={[
          ['', newer.length === 0 ? `${body.firmware}, the newest` : body.firmware],
          ...newer.map((version) => [version, `update to ${version}`] as const),
        ]}
        onPick={setTo}
      />
      {day.refusal !== null && <p className="text-rust">{day.refusal}</p>}
      {day.value && (
        <section
          aria-label={`Firmware day: ${day.value.from} to ${day.value.to}`}
          className="grid gap-2 border p-3"
        >
          <h3 className="font-semibold">
            Firmware day: {day.value.from} → {day.value.to}
          </h3>
          <Gates day={day.value} />
          <Brought day={day.value} />
          {day.value.gates.some(({ name, isOpen }) => name === 'Files saved' && !isOpen) && (
            <Check checked={anyway} onChange={() => setAnyway(!anyway)}>
              Update all the same: what it holds may be lost
            </Check>
          )}
          <Button
            main
            disabled={shut === undefined || shut.length > 0}
            onClick={() => void act({ act: 'firmware', version: chosen, anyway })}
          >
            Update to {chosen}
          </Button>
          <Afterwards day={day.value} planId={body.planId} />
          {body.planId !== null && (
            <BeginWalk
              asked={{
                ...{ planId: body.planId, procedure: 'firmware-day', body: body.tag, place: chosen },
              }}
            >
              Go through the day act by act
            </BeginWalk>
          )}
        </section>
      )}
    </div>
  )
}

/** How what the body holds comes back after the update. */
function Afterwards({ day: { way, from, to }, planId }: { day: FirmwareDay; planId: string | null }) {
  if (way === 'load')
    return (
      <p className="text-silt">
        Afterwards its file of {from} can be loaded again, under “Ways back”. Then carry the plan again, to
        prove it.
      </p>
    )
  return (
    <p className="text-silt">
      Firmware {to} does not read files of {from}: what was wiped is set by hand afterwards, with the walk{' '}
      {planId === null ? (
        '“Set this plan” at Prove'
      ) : (
        <Link href={`/plans/${planId}/prove`} className="text-brine underline underline-offset-3">
          “Set this plan”
        </Link>
      )}
      . Then carry the plan again, to prove it.
    </p>
  )
}

function Gates({ day }: { day: FirmwareDay }) {
  return (
    <ul className="grid gap-1">
      {day.gates.map(({ name, isOpen, words }) => (
        <li key={name} className="grid grid-cols-[22px_1fr] items-start">
          <span className="pt-0.5">
            {isOpen ? (
              <CheckMark size={16} className="text-samphire" aria-label="open" />
            ) : (
              <OctagonX size={16} className="text-rust" aria-label="shut" />
            )}
          </span>
          <span>
            <b>{name}.</b> <span className="text-silt">{words}</span>
          </span>
        </li>
      ))}
    </ul>
  )
}

function Brought({ day: { brought, lost, recheck } }: { day: FirmwareDay }) {
  return (
    <>
      <p className="font-semibold">
        {brought.length === 0 ? 'It brings no setting and no function.' : 'It brings'}
      </p>
      <ul>
        {brought.map(({ name, version, address, needed }) => (
          <li key={`${version} ${name}`}>
            {name}{' '}
            <span className="text-silt">
              {[`from ${version}`, address, needed > 0 ? `you need it ${needed} times an outing` : '']
                .filter((part) => part !== '')
                .join(' · ')}
            </span>
          </li>
        ))}
      </ul>
      {lost.length > 0 && (
        <p className="border-l-3 border-rust px-3">
          It cannot hold {lost.slice(0, 3).join('; ')}
          {lost.length > 3 && ` and ${lost.length - 3} more`}.
        </p>
      )}
      {recheck.length > 0 && (
        <p>
          <b>Look again at {recheck.length === 1 ? '1 row' : `${recheck.length} rows`}</b> decided on an older
          firmware:{' '}
          {recheck
            .slice(0, 4)
            .map(({ place }) => place)
            .join('; ')}
          {recheck.length > 4 && ` and ${recheck.length - 4} more`}.
        </p>
      )}
    </>
  )
}
