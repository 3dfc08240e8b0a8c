'use client'

import { useId } from 'react'
import { forgetCopies } from '@/features/documents'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { When } from '@/ui/when'
import { useDevices, type DeviceLine, type DevicesKnown } from './use-devices'

/** On the shelf: who reaches Salt Shelf besides this machine, and how a device is let in. */
export function OtherDevices({ known }: { known: DevicesKnown }) {
  const title = useId()
  return (
    <section aria-labelledby={title}>
      <h2 id={title} className="font-head text-title font-semibold">
        {known.kind === 'device' ? 'This device' : 'Other devices'}
      </h2>
      {known.kind === 'device' ? <ThisDevice device={known.device} /> : <Reached known={known} />}
    </section>
  )
}

/** Told to a device that was let in. */
function ThisDevice({ device }: { device: DeviceLine }) {
  return (
    <div className="mt-2 border bg-sheet p-4">
      <p>
        <strong>{device.name}</strong> was let in <When at={device.letInAt} />. What you open here opens
        without a connection, too.
      </p>
      <form
        method="post"
        action="/door/leave"
        className="mt-3"
        onSubmit={(event) => {
          const form = event.currentTarget
          event.preventDefault()
          void forgetCopies()
            .catch(() => undefined)
            .then(() => form.submit())
        }}
      >
        <Button type="submit">Leave on this device</Button>
        <p className="mt-2 text-small text-silt">
          Takes what it keeps off it. What could not be sent yet stays, and is sent once it is let in again.
        </p>
      </form>
    </div>
  )
}

function Reached({ known }: { known: Extract<DevicesKnown, { kind: 'here' }> }) {
  const { door, devices, code, refusal, isBusy, letIn, end } = useDevices(known)
  return (
    <div className="mt-2 grid gap-3 border bg-sheet p-4">
      {door ? (
        <>
          <p>
            Those you let in reach everything here at
            <span className="block font-mono break-words">{door.origin}</span>
            Anybody in that network gets the certificate and the question for a code; nothing else.
          </p>
          {!door.isReachable && (
            <p className="border-l-4 border-lichen pl-3">
              This address is gone from this machine: no device reaches it now. They go on when it is back.
            </p>
          )}
          {code ? (
            <Code code={code} />
          ) : (
            <div>
              <Button main disabled={isBusy} onClick={() => void letIn()}>
                Let a device in
              </Button>
            </div>
          )}
          <details>
            <summary className="min-h-8 cursor-pointer font-semibold text-brine">
              For its first time: the certificate
            </summary>
            <div className="mt-2 grid gap-2">
              <p>
                A device has to trust this machine once. Scan this with it, or open{' '}
                <span className="font-mono break-words">{door.plain}</span> there.
              </p>
              {/* A picture made on the server, as data. */}
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img
                src={door.picture}
                alt={`A code that leads to ${door.plain}`}
                width={170}
                height={170}
                className="bg-white"
              />
              <p className="text-small text-silt">Its SHA-256 fingerprint:</p>
              <p className="break-words font-mono text-small">{door.fingerprint.replaceAll(':', ' ')}</p>
            </div>
          </details>
        </>
      ) : (
        <p className="text-silt">
          Only this machine reaches Salt Shelf. For a phone or a tablet beside the camera, start it with{' '}
          <span className="font-mono text-small text-ink">npm run demo -- --share</span>
        </p>
      )}
      {refusal && <RefusalNote refusal={refusal} />}
      {devices.length > 0 && (
        <ul aria-label="Devices let in" className="grid gap-2 border-t pt-3">
          {devices.map((device) => (
            <li key={device.id} className="flex items-center gap-3">
              <span className="min-w-0 flex-1">
                <strong className="block truncate">{device.name}</strong>
                <span className="text-small text-silt">
                  last used <When at={device.lastUsedAt} />
                </span>
              </span>
              <Button disabled={isBusy} onClick={() => void end(device)} aria-label={`End ${device.name}`}>
                End
              </Button>
            </li>
          ))}
        </ul>
      )}
      {devices.length > 0 && (
        <p className="text-small text-silt">
          A device that is ended gets nothing more. What it opened before stays on it, and what it could not
          send is sent once it is let in again.
        </p>
      )}
    </div>
  )
}

/** The code as it is typed on the device, large. */
function Code({ code }: { code: { readonly code: string; readonly endsAt: string } }) {
  return (
    <div role="status" className="border-l-4 border-pan pl-3">
      <p className="text-small text-silt">Type this on the device:</p>
      <p className="font-mono text-[28px] leading-tight tracking-wider">{code.code}</p>
      <p className="text-small text-silt">
        It lets one device in, until <When at={code.endsAt} />.
      </p>
    </div>
  )
}
