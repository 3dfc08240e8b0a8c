'use client'

import { useRef, useState, type ReactNode } from 'react'
import { Button } from './button'

/** A place to drop files on, with a button that chooses them; a folder that is dropped brings its files by their paths. */
export function FileDrop({
  label,
  many = false,
  children,
  onFiles,
  onDropped,
}: {
  label: string
  many?: boolean
  children?: ReactNode
  /** Files that were chosen. */
  onFiles: (files: readonly File[]) => void
  /** What was dropped: files, or a folder. */
  onDropped: (given: DataTransfer) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  const [isOver, setOver] = useState(false)
  return (
    <div
      className={`grid justify-items-start gap-2 border border-dashed p-3 ${isOver ? 'border-brine bg-crust' : ''}`}
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        onDropped(event.dataTransfer)
      }}
    >
      <input
        ref={input}
        type="file"
        multiple={many}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          if (files.length > 0) onFiles(files)
        }}
      />
      <div className="flex flex-wrap items-center gap-2">
        <Button className="min-h-11" onClick={() => input.current?.click()}>
          {label}
        </Button>
        {children}
      </div>
      <p className="text-small text-silt">or drop it here</p>
    </div>
  )
}
