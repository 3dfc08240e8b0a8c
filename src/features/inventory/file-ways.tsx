'use client'

import { Download, Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import { readInventoryFile, writeInventoryFile } from '@/core/inventory/file'
import { entriesOf } from '@/core/plan/rows'
import type { Refusal } from '@/core/result'
import { Button } from '@/ui/button'
import { RefusalNote } from '@/ui/refusal-note'
import { useInventory, useInventoryWork } from './inventory-context'

/** The inventory as a file: saved for scripts and for keeping, brought in over what is there; undo takes it back. */
export function FileWays() {
  const { desk } = useInventoryWork()
  const inventory = useInventory()
  const [told, setTold] = useState<readonly Refusal[]>([])
  const file = useRef<HTMLInputElement>(null)
  const save = () => {
    const address = URL.createObjectURL(new Blob([writeInventoryFile(inventory) as Uint8Array<ArrayBuffer>]))
    const link = document.createElement('a')
    link.href = address
    link.download = 'inventory.json'
    link.click()
    URL.revokeObjectURL(address)
  }
  const bringIn = async (picked: File | undefined) => {
    if (!picked) return
    const read = readInventoryFile(new Uint8Array(await picked.arrayBuffer()), picked.name)
    if (!read.ok) return setTold([read.refusal, ...(read.refusal.also ?? [])])
    setTold([])
    desk.set(Object.fromEntries(entriesOf(read.value.rows)))
  }
  return (
    <section aria-labelledby="file" className="border bg-sheet px-4 py-3">
      <h2 id="file" className="font-head text-lead font-semibold">
        As a file
      </h2>
      <p className="mt-1 text-silt">
        For scripts, and for keeping. What is brought in is set over what is there; nothing else is touched.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button onClick={save} className="inline-flex items-center gap-1.5">
          <Download size={16} aria-hidden="true" /> Save as a file
        </Button>
        <Button onClick={() => file.current?.click()} className="inline-flex items-center gap-1.5">
          <Upload size={16} aria-hidden="true" /> Bring a file in
        </Button>
        <input
          ref={file}
          type="file"
          accept=".json,application/json"
          aria-label="An inventory file"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            void bringIn(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </p>
      {told.slice(0, 5).map((refusal) => (
        <RefusalNote key={`${refusal.where ?? ''} ${refusal.message}`} refusal={refusal} />
      ))}
      {told.length > 5 && <p>And {told.length - 5} more.</p>}
    </section>
  )
}
