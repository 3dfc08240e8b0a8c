'use client'

import { useState } from 'react'
import { Button } from '@/ui/button'
import { Fold } from '@/ui/fold'
import { NamedSelect } from '@/ui/select'
import type { ShelfFile } from './shelf-file'

/** What an owner says of a file that nothing here reads: which body saved it, on which firmware, when, and what it holds. */
export function FileAbout({
  file,
  bodies,
  onSay,
}: {
  file: ShelfFile
  bodies: readonly { readonly tag: string; readonly name: string }[]
  onSay: (about: { body: string; firmware: string; savedAt: string; holds: string }) => void
}) {
  const [body, setBody] = useState(file.bodyTag ?? '')
  const [firmware, setFirmware] = useState(file.firmware ?? '')
  const [savedAt, setSavedAt] = useState(file.savedAt?.slice(0, 10) ?? '')
  const [holds, setHolds] = useState(file.note)
  const field = 'min-h-8 w-full rounded-md border bg-sheet px-2'
  return (
    <Fold title="What it is">
      <form
        className="grid gap-2 pb-2"
        onSubmit={(event) => {
          event.preventDefault()
          onSay({ body, firmware, savedAt, holds })
        }}
      >
        <NamedSelect
          label="Saved by"
          value={body}
          options={[['', 'not said'], ...bodies.map((one) => [one.tag, one.name] as const)]}
          onPick={setBody}
        />
        <label className="grid text-small text-silt">
          Firmware
          <input
            value={firmware}
            maxLength={40}
            onChange={(event) => setFirmware(event.target.value)}
            className={field}
          />
        </label>
        <label className="grid text-small text-silt">
          Saved on
          <input
            type="date"
            value={savedAt}
            onChange={(event) => setSavedAt(event.target.value)}
            className={field}
          />
        </label>
        <label className="grid text-small text-silt">
          What it holds
          <input
            value={holds}
            maxLength={500}
            onChange={(event) => setHolds(event.target.value)}
            className={field}
          />
        </label>
        <Button type="submit">Keep</Button>
      </form>
    </Fold>
  )
}
